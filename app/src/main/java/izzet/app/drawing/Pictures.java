package izzet.app.drawing;

import izzet.core.display.Picture;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Collections;
import java.util.Iterator;
import java.util.List;
import javax.imageio.IIOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;

/** Pictures of a glass as files. */
public final class Pictures {

    private static final int LIT = 0xFFFFFF;
    private static final int HALF_SEEN = 128;
    private static final long MOST_PIXELS = 16_000_000;
    private static final String GIF = "javax_imageio_gif_image_1.0";

    private Pictures() {}

    /**
     * Reads a picture file of any usual kind.
     *
     * @throws IllegalArgumentException when it is none, or too large to be held
     */
    public static Picture read(InputStream in) throws IOException {
        try (ImageInputStream file = ImageIO.createImageInputStream(in)) {
            Iterator<ImageReader> readers = file == null ? Collections.emptyIterator() : ImageIO.getImageReaders(file);
            if (!readers.hasNext()) {
                throw new IllegalArgumentException(
                        "This file is no picture that can be read; use PNG, JPEG, GIF or BMP.");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(file, true, true);
                if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
                    throw new IllegalArgumentException("The picture has more than " + MOST_PIXELS / 1_000_000
                            + " million pixels; make it smaller first.");
                }
                BufferedImage image = reader.read(0);
                int[] rgb = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
                for (int i = 0; i < rgb.length; i++) {
                    rgb[i] = rgb[i] >>> 24 < HALF_SEEN ? 0 : rgb[i] & LIT;
                }
                return new Picture(image.getWidth(), image.getHeight(), false, rgb);
            } catch (IndexOutOfBoundsException | IIOException e) {
                throw new IllegalArgumentException("This picture file is damaged and cannot be read.", e);
            } finally {
                reader.dispose();
            }
        }
    }

    /** @param scale pixels of the file for one of the glass, across and down */
    public static byte[] png(Picture picture, int scale) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image(picture, scale), "png", out);
        return out.toByteArray();
    }

    private static BufferedImage image(Picture picture, int scale) {
        BufferedImage image =
                new BufferedImage(picture.width() * scale, picture.height() * scale, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                int c = picture.at(x / scale, y / scale);
                image.setRGB(x, y, picture.mono() && c != 0 ? LIT : c);
            }
        }
        return image;
    }

    /**
     * Pictures one after the other, over and over (GIF).
     *
     * @param hundredths of a second that each stays
     */
    public static byte[] animated(List<Picture> pictures, int hundredths, int scale) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("gif").next();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (int i = 0; i < pictures.size(); i++) {
                BufferedImage image = image(pictures.get(i), scale);
                IIOMetadata about = writer.getDefaultImageMetadata(new ImageTypeSpecifier(image), null);
                IIOMetadataNode root = (IIOMetadataNode) about.getAsTree(GIF);
                IIOMetadataNode timing = (IIOMetadataNode)
                        root.getElementsByTagName("GraphicControlExtension").item(0);
                timing.setAttribute("delayTime", Integer.toString(hundredths));
                timing.setAttribute("disposalMethod", "none");
                if (i == 0) {
                    root.appendChild(loop());
                }
                about.setFromTree(GIF, root);
                writer.writeToSequence(new IIOImage(image, null, about), null);
            }
            writer.endWriteSequence();
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }

    /** The block that makes a picture begin anew for ever. */
    private static IIOMetadataNode loop() {
        IIOMetadataNode extensions = new IIOMetadataNode("ApplicationExtensions");
        IIOMetadataNode one = new IIOMetadataNode("ApplicationExtension");
        one.setAttribute("applicationID", "ANIMEXTS");
        one.setAttribute("authenticationCode", "1.0");
        one.setUserObject(new byte[] {1, 0, 0});
        extensions.appendChild(one);
        return extensions;
    }
}
