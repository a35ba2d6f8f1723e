package izzet.app.sharing;

import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What the reader of a link sees: the pages of one plan, what they load, and files to take away. Nothing that computes for long. */
final class MayRead {

    private static final Set<String> READING = Set.of("GET", "HEAD");

    /** Files of the program and the help: the same for everybody. */
    private static final Pattern PROGRAM =
            Pattern.compile("/(css|js|fonts|vendor|webjars)/[^;]*|/icon\\.svg|/help(/[a-z-]{1,40})?");

    private static final Pattern PLAN = Pattern.compile(
            "/plans/(\\d{1,18})(|/(parts|pins|pins\\.svg|levels|buses|wiring|bring-up|traffic|log|findings|history|verdict|exports|news"
                    + "|wiring/steps/\\d{1,6}|findings/[^/;]{1,200}(/repairs)?|exports/[^;]{1,200}|log/photos/\\d{1,18}"
                    + "|traffic/\\d{1,18}(/[^;]{1,200})?))");

    private static final Pattern API =
            Pattern.compile("/api/plans/(\\d{1,18})(|/(findings|wiring|exports/[^;]{1,200}))");

    private MayRead() {}

    static boolean may(String method, String path, long planId) {
        return READING.contains(method)
                && (PROGRAM.matcher(path).matches() || of(PLAN, path, planId) || of(API, path, planId));
    }

    private static boolean of(Pattern pattern, String path, long planId) {
        Matcher found = pattern.matcher(path);
        return found.matches() && Long.parseLong(found.group(1)) == planId;
    }
}
