package izzet.core.export;

/** Words in Markdown as CommonMark 0.31 reads them. */
public final class Markdown {

    private Markdown() {}

    /** A text that is shown as it is, on one line. */
    public static String plain(String text) {
        StringBuilder out = new StringBuilder();
        for (char c : text.replaceAll("\\s+", " ").toCharArray()) {
            if ("\\`*_{}[]<>#|!~&".indexOf(c) >= 0) {
                out.append('\\');
            }
            out.append(c);
        }
        return out.toString();
    }
}
