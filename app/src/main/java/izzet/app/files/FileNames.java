package izzet.app.files;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Locale;
import org.springframework.http.ContentDisposition;

/** Names of files that are taken away. */
public final class FileNames {

    private static final int LONGEST = 80;

    private FileNames() {}

    /**
     * The header of an answer that is kept as a file.
     *
     * @param name as somebody typed it, of any script
     * @param otherwise where nothing of it can stand in a name
     * @param ending with its dot
     */
    public static String attachment(String name, String otherwise, String ending) {
        return ContentDisposition.attachment()
                .filename(plain(name, otherwise) + ending, StandardCharsets.UTF_8)
                .build()
                .toString();
    }

    /** Letters and digits of any script stay; accents too, as one character with their letter. */
    static String plain(String name, String otherwise) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{M}\\p{N}]+", "-")
                .replaceAll("^-|-$", "");
        String cut = plain.codePointCount(0, plain.length()) <= LONGEST
                ? plain
                : plain.substring(0, plain.offsetByCodePoints(0, LONGEST));
        return cut.isEmpty() ? otherwise : cut;
    }
}
