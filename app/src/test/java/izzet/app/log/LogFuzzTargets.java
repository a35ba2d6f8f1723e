package izzet.app.log;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What the log reads from outside, each under its name: the kept fuzzer runs {@link #fuzzerTestOneInput}, the seeds run in every test. */
public final class LogFuzzTargets {

    /** Takes one input. */
    interface Target {
        void take(byte[] input) throws IOException;
    }

    private static final Set<String> HARMLESS = Set.of(
            "p",
            "br",
            "em",
            "strong",
            "code",
            "pre",
            "blockquote",
            "ul",
            "ol",
            "li",
            "hr",
            "a",
            "h1",
            "h2",
            "h3",
            "h4",
            "h5",
            "h6");
    private static final Pattern TAG = Pattern.compile("</?([a-zA-Z0-9]+)((?:\\s+[a-z]+=\"[^\"]*\")*)\\s*/?>");
    private static final Pattern ATTRIBUTE = Pattern.compile("([a-z]+)=\"([^\"]*)\"");
    private static final Pattern SCHEME = Pattern.compile("^\\s*([a-zA-Z][a-zA-Z0-9+.-]*):");
    private static final LogMarkdown MARKDOWN = new LogMarkdown();
    private static final Map<String, Target> ALL =
            new TreeMap<>(Map.of("markdown", LogFuzzTargets::markdown, "photograph", LogFuzzTargets::photograph));
    private static final Target CHOSEN = ALL.get(System.getProperty("izzet.fuzz", "markdown"));

    private LogFuzzTargets() {}

    static Map<String, Target> targets() {
        return ALL;
    }

    /** For the fuzzer; the target is named by the property {@code izzet.fuzz}. */
    public static void fuzzerTestOneInput(byte[] input) throws IOException {
        CHOSEN.take(input);
    }

    /** Every tag is one of those that text needs, and no link leads to anything but the web. */
    private static void markdown(byte[] input) {
        String html = MARKDOWN.html(new String(input, StandardCharsets.UTF_8));
        Matcher tag = TAG.matcher(html);
        int at = 0;
        while (tag.find()) {
            plain(html.substring(at, tag.start()));
            at = tag.end();
            if (!HARMLESS.contains(tag.group(1))) {
                throw new AssertionError("A tag: " + tag.group());
            }
            attributes(tag);
        }
        plain(html.substring(at));
    }

    private static void attributes(Matcher tag) {
        Matcher attribute = ATTRIBUTE.matcher(tag.group(2));
        while (attribute.find()) {
            switch (attribute.group(1)) {
                case "rel", "title", "class", "start" -> {}
                case "href" -> {
                    Matcher scheme = SCHEME.matcher(attribute.group(2));
                    if (scheme.find() && !scheme.group(1).matches("(?i)https?|mailto")) {
                        throw new AssertionError("A link to " + attribute.group(2));
                    }
                }
                default -> throw new AssertionError("An attribute: " + tag.group());
            }
        }
    }

    private static void plain(String text) {
        if (text.indexOf('<') >= 0) {
            throw new AssertionError("An open tag: " + text);
        }
    }

    /** A picture that is taken is one of its size and says nothing of its origin; another is refused with words. */
    private static void photograph(byte[] input) throws IOException {
        try {
            Photographs.Photograph kept = Photographs.of(input);
            if (Math.max(kept.width(), kept.height()) > Photographs.MOST_SIDE
                    || Photographs.orientation(kept.jpeg()) != 1) {
                throw new AssertionError(kept.width() + " x " + kept.height());
            }
        } catch (IllegalArgumentException told) {
            if (told.getMessage() == null
                    || told.getMessage().length() < 20
                    || !told.getMessage().endsWith(".")) {
                throw new AssertionError("A fault that says nothing", told);
            }
        }
    }
}
