package izzet.app.shell;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * How pages look in one browser, kept in its cookie: a phone in the dark and a desk in the sun want different ones. Templates ask it.
 */
@Component("look")
public class Look {

    /** Name of the cookie: theme and size with a dot between them. */
    public static final String COOKIE = "izzet-look";

    /** As the device says, or always the same. */
    public static final List<String> THEMES = List.of("device", "light", "dark");

    /** Of the text. */
    public static final List<String> SIZES = List.of("usual", "large", "largest");

    private static final String DARK = "(prefers-color-scheme: dark)";

    /** Null where the device decides. */
    public String theme() {
        String chosen = chosenTheme();
        return chosen.equals("device") ? null : chosen;
    }

    /** Null for the usual one. */
    public String size() {
        String chosen = chosenSize();
        return chosen.equals("usual") ? null : chosen;
    }

    public String chosenTheme() {
        return part(0, THEMES);
    }

    public String chosenSize() {
        return part(1, SIZES);
    }

    /** Themes that the browser may use for what it draws itself. */
    public String scheme() {
        return theme() == null ? "light dark" : theme();
    }

    /** When the dark theme is used, as a media query. */
    public String dark() {
        return theme() == null ? DARK : theme().equals("dark") ? "all" : "not all";
    }

    private static String part(int index, List<String> known) {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes asked)) {
            return known.get(0);
        }
        HttpServletRequest request = asked.getRequest();
        Cookie[] cookies = request.getCookies();
        return Arrays.stream(cookies == null ? new Cookie[0] : cookies)
                .filter(c -> c.getName().equals(COOKIE))
                .map(c -> c.getValue().split("\\."))
                .filter(w -> w.length == 2 && known.contains(w[index]))
                .map(w -> w[index])
                .findFirst()
                .orElse(known.get(0));
    }
}
