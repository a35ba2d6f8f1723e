package izzet.app.log;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * Photographs for a log: scaled, upright, and written anew, so that nothing but the picture is kept (no place, no time, no camera). Source of
 * the orientation tag: Exif 2.3, from memory.
 */
final class Photographs {

    /** Of the longer side. */
    static final int MOST_SIDE = 1600;

    private static final long MOST_PIXELS = 100_000_000;
    private static final int ORIENTATION = 0x0112;
    private static final int MARKER = 0xFF;
    private static final int EXIF = 0xE1;
    private static final int SCAN = 0xDA;
    private static final int ENTRY = 12;

    private Photographs() {}

    /** A picture as it is kept. */
    record Photograph(int width, int height, byte[] jpeg) {}

    /** @throws IllegalArgumentException when the file is no picture that can be read */
    static Photograph of(byte[] file) throws IOException {
        BufferedImage image = upright(read(file), orientation(file));
        double scale = Math.min(1, MOST_SIDE / (double) Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * scale));
        int height = Math.max(1, (int) Math.round(image.getHeight() * scale));
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.setColor(java.awt.Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(small, "jpeg", out);
        return new Photograph(width, height, out.toByteArray());
    }

    private static BufferedImage read(byte[] file) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new IllegalArgumentException(
                        "This file is no picture that can be read; use JPEG, PNG, GIF or BMP.");
            }
            ImageReader reader = readers.next();
            try {
                return read(reader, in);
            } catch (TooLarge e) {
                throw e;
            } catch (RuntimeException | IOException e) {
                // The readers know many ways to fail at a damaged file.
                throw new IllegalArgumentException("This picture file is damaged and cannot be read.", e);
            } finally {
                reader.dispose();
            }
        }
    }

    private static BufferedImage read(ImageReader reader, ImageInputStream in) throws IOException {
        reader.setInput(in, true, true);
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        if ((long) width * height > MOST_PIXELS) {
            throw new TooLarge(
                    "The picture has more than " + MOST_PIXELS / 1_000_000 + " million pixels; make it smaller first.");
        }
        // Every so many pixels already at reading: a whole large one would fill the memory.
        ImageReadParam some = reader.getDefaultReadParam();
        int step = Math.max(1, Math.max(width, height) / (2 * MOST_SIDE));
        some.setSourceSubsampling(step, step, 0, 0);
        return reader.read(0, some);
    }

    private static final class TooLarge extends IllegalArgumentException {
        TooLarge(String message) {
            super(message);
        }
    }

    private static BufferedImage upright(BufferedImage image, int orientation) {
        if (orientation <= 1 || orientation > 8) {
            return image;
        }
        int w = image.getWidth();
        int h = image.getHeight();
        boolean turned = orientation >= 5;
        AffineTransform to =
                switch (orientation) {
                    case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
                    case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
                    case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
                    case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
                    case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
                    case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
                    default -> new AffineTransform(0, -1, 1, 0, 0, w);
                };
        BufferedImage out = new BufferedImage(turned ? h : w, turned ? w : h, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = out.createGraphics();
        g.drawImage(image, to, null);
        g.dispose();
        return out;
    }

    /** How a JPEG file says its picture lies, from 1 to 8; 1 where it does not. */
    static int orientation(byte[] file) {
        int at = 2;
        while (at + 10 < file.length && (file[at] & 0xFF) == MARKER && (file[at + 1] & 0xFF) != SCAN) {
            int length = (file[at + 2] & 0xFF) << 8 | file[at + 3] & 0xFF;
            if ((file[at + 1] & 0xFF) == EXIF && file[at + 4] == 'E' && file[at + 5] == 'x') {
                return tag(ByteBuffer.wrap(file), at + 10, Math.min(file.length, at + 2 + length));
            }
            at += 2 + length;
        }
        return 1;
    }

    private static int tag(ByteBuffer bytes, int tiff, int end) {
        if (tiff + 8 > end) {
            return 1;
        }
        bytes.order(bytes.get(tiff) == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        long first = tiff + (bytes.getInt(tiff + 4) & 0xFFFFFFFFL);
        if (first + 2 > end) {
            return 1;
        }
        int directory = (int) first;
        int count = bytes.getShort(directory) & 0xFFFF;
        for (int i = 0; i < count && directory + 2 + (i + 1) * ENTRY <= end; i++) {
            int entry = directory + 2 + i * ENTRY;
            if ((bytes.getShort(entry) & 0xFFFF) == ORIENTATION) {
                return bytes.getShort(entry + 8);
            }
        }
        return 1;
    }
}
