package izzet.core.draw.tools;

import izzet.core.display.Picture;
import izzet.core.draw.Asked;
import izzet.core.draw.ByteText;
import izzet.core.draw.PictureBytes;
import izzet.core.draw.Tool;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A picture as the bytes of a glass. */
public final class PictureTool implements Tool {

    private static final int MOST_SIDE = 1024;

    @Override
    public String id() {
        return "picture";
    }

    @Override
    public String name() {
        return "Pictures";
    }

    @Override
    public String purpose() {
        return "A picture file as the bytes of any glass: scaled, dithered, in its order, as code or as a file.";
    }

    /** How a picture is to be changed. */
    public static PictureBytes.Wish wish(Asked asked) {
        return new PictureBytes.Wish(
                asked.number("columns", 1, MOST_SIDE, 128),
                asked.number("rows", 1, MOST_SIDE, 64),
                PictureBytes.Form.of(asked.choice("form", "page", PictureBytes.Form.ids())),
                asked.choice("dither", "diffuse", "none", "diffuse", "ordered"),
                asked.choice("fit", "whole", "whole", "fill", "stretch"),
                asked.number("turn", 0, 270, 0) / 90,
                asked.number("threshold", 1, 254, 128),
                asked.flag("invert"),
                asked.flag("swap"));
    }

    /** Asked with {@code image}, a picture file in base64, or {@code pixels} of 0xRRGGBB numbers with {@code width}. */
    @Override
    public ObjectNode answer(Asked asked) {
        if (!asked.has("pixels")) {
            throw new IllegalArgumentException(
                    "pixels, a list of numbers 0xRRGGBB row by row, and width are needed; or image, a file in base64.");
        }
        int width = asked.number("width", 1, MOST_SIDE, 1);
        List<Integer> pixels = new ArrayList<>();
        asked.json().path("pixels").forEach(p -> pixels.add(p.asInt()));
        if (pixels.isEmpty() || pixels.size() % width != 0 || pixels.size() > MOST_SIDE * MOST_SIDE) {
            throw new IllegalArgumentException(
                    "pixels has " + pixels.size() + " numbers, which are no whole rows of " + width + ".");
        }
        int[] rgb = pixels.stream().mapToInt(p -> p & 0xFFFFFF).toArray();
        return told(PictureBytes.of(new Picture(width, rgb.length / width, false, rgb), wish(asked)), asked);
    }

    /** The answer for a picture that was made; {@code ram} and {@code flash} of the board are in bytes, 0 where they are not known. */
    public static ObjectNode told(PictureBytes made, Asked asked) {
        ObjectNode answer = JsonMapper.shared().createObjectNode();
        answer.put("columns", made.picture().width()).put("rows", made.picture().height());
        answer.put("form", made.form().words());
        answer.put("bytes", made.bytes().length);
        List<Integer> list = new ArrayList<>();
        for (byte b : made.bytes()) {
            list.add(b & 0xFF);
        }
        ArrayNode room = answer.putArray("room");
        int bytes = made.bytes().length;
        int ram = asked.number("ram", 0, Integer.MAX_VALUE, 0);
        int flash = asked.number("flash", 0, Integer.MAX_VALUE, 0);
        if (ram > 0) {
            room.add("Held in variables, as a frame buffer is, it takes " + share(bytes, ram, "memory")
                    + (bytes > ram ? "; it does not fit: keep it as a constant, or send it in pieces." : "."));
        }
        if (flash > 0) {
            room.add("As a constant it takes " + share(bytes, flash, "flash")
                    + (bytes > flash
                            ? "; it does not fit: keep it on a card, or make it smaller."
                            : ", which the program itself needs, too."));
        }
        answer.put("base64", Base64.getEncoder().encodeToString(made.bytes()));
        answer.put("c", ByteText.c("picture", list));
        answer.put("python", ByteText.python("picture", list));
        return answer;
    }

    private static String share(int bytes, int all, String of) {
        long hundredths = Math.round(100.0 * bytes / all);
        return bytes + " of the board's " + all + " bytes of " + of + " (" + (hundredths == 0 ? "under 1" : hundredths)
                + " %)";
    }
}
