package izzet.app.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Photographs lose their size and what a camera wrote into them, and stand upright. */
class PhotographsTest {

    private static final String PLACE = "51 deg 13 min N, Wick halt";

    /** Red in the upper left quarter, white elsewhere. */
    private static byte[] jpeg(int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                image.setRGB(x, y, x < width / 2 && y < height / 2 ? 0xFF0000 : 0xFFFFFF);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);
        return out.toByteArray();
    }

    /** The same with what a camera puts in front: how it was held, and where. */
    private static byte[] withExif(byte[] jpeg, int orientation, boolean little) {
        ByteArrayOutputStream tiff = new ByteArrayOutputStream();
        tiff.writeBytes((little ? "II" : "MM").getBytes(StandardCharsets.US_ASCII));
        number(tiff, 42, 2, little);
        number(tiff, 8, 4, little);
        number(tiff, 2, 2, little);
        number(tiff, 0x010F, 2, little);
        number(tiff, 2, 2, little);
        number(tiff, 4, 4, little);
        number(tiff, 0, 4, little);
        number(tiff, 0x0112, 2, little);
        number(tiff, 3, 2, little);
        number(tiff, 1, 4, little);
        number(tiff, orientation, 2, little);
        number(tiff, 0, 2, little);
        number(tiff, 0, 4, little);
        tiff.writeBytes(PLACE.getBytes(StandardCharsets.US_ASCII));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.write(0xFF);
        out.write(0xE1);
        number(out, tiff.size() + 8, 2, false);
        out.writeBytes("Exif\0\0".getBytes(StandardCharsets.US_ASCII));
        out.writeBytes(tiff.toByteArray());
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    private static void number(ByteArrayOutputStream out, int value, int bytes, boolean little) {
        for (int i = 0; i < bytes; i++) {
            out.write(value >> 8 * (little ? i : bytes - 1 - i));
        }
    }

    @ParameterizedTest
    @CsvSource({
        "1, true, 80, 40, left, top",
        "2, true, 80, 40, right, top",
        "3, false, 80, 40, right, bottom",
        "4, false, 80, 40, left, bottom",
        "5, true, 40, 80, left, top",
        "6, true, 40, 80, right, top",
        "7, false, 40, 80, right, bottom",
        "8, false, 40, 80, left, bottom"
    })
    void standsUpright(int orientation, boolean little, int width, int height, String across, String down)
            throws IOException {
        byte[] file = withExif(jpeg(80, 40), orientation, little);
        assertThat(Photographs.orientation(file)).isEqualTo(orientation);
        Photographs.Photograph photo = Photographs.of(file);
        assertThat(photo.width()).isEqualTo(width);
        assertThat(photo.height()).isEqualTo(height);
        BufferedImage back = ImageIO.read(new ByteArrayInputStream(photo.jpeg()));
        int x = across.equals("left") ? width / 4 : width * 3 / 4;
        int y = down.equals("top") ? height / 4 : height * 3 / 4;
        assertThat(back.getRGB(x, y) & 0xFF).as("red, so little blue").isLessThan(90);
        assertThat(back.getRGB(width - 1 - x, height - 1 - y) & 0xFF).isGreaterThan(200);
    }

    @Test
    void nothingButThePictureIsKept() throws IOException {
        byte[] file = withExif(jpeg(80, 40), 1, true);
        assertThat(new String(file, StandardCharsets.ISO_8859_1)).contains(PLACE);
        String kept = new String(Photographs.of(file).jpeg(), StandardCharsets.ISO_8859_1);
        assertThat(kept).doesNotContain("Wick").doesNotContain("Exif");
    }

    @ParameterizedTest
    @CsvSource({"4000, 1000, 1600, 400", "300, 3200, 150, 1600", "20, 10, 20, 10"})
    void largeOnesAreMadeSmaller(int width, int height, int keptWidth, int keptHeight) throws IOException {
        Photographs.Photograph photo = Photographs.of(jpeg(width, height));
        assertThat(photo.width()).isEqualTo(keptWidth);
        assertThat(photo.height()).isEqualTo(keptHeight);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "nonsense",
                "\u00FF\u00D8\u00FF\u00E1\u0000\u0008Exif\u0000\u0000II*\u0000\u00FF\u00FF\u00FF\u00FF"
            })
    void whatIsNoPictureIsRefused(String file) {
        byte[] bytes = file.getBytes(StandardCharsets.ISO_8859_1);
        assertThat(Photographs.orientation(bytes)).isEqualTo(1);
        assertThatThrownBy(() -> Photographs.of(bytes)).isInstanceOf(IllegalArgumentException.class);
    }
}
