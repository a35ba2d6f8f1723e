package izzet.app.log;

import izzet.app.shell.PlanFrame;
import izzet.app.store.RecordRows;
import izzet.core.bringup.Symptoms;
import izzet.core.check.Finding;
import izzet.core.quantity.Names;
import izzet.core.wiring.MeterCheck;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * What an entry of the log is tied to, as {@code kind:id}: a finding, part, pin, record (with a moment), check, course of a symptom, or
 * revision.
 *
 * @param about as it is kept; empty for nothing
 * @param words for people, as they are at the moment of writing
 * @param trouble under which other entries on the same are found; empty for none
 */
record Subject(String about, String words, String trouble) {

    static final Subject NOTHING = new Subject("", "", "");

    private static final Pattern FINDING = Pattern.compile("/plans/\\d+/findings/([^/?]+)$");
    private static final Pattern RECORD = Pattern.compile("/plans/\\d+/traffic/(\\d{1,18})");
    private static final Pattern SYMPTOM = Pattern.compile("/plans/\\d+/bring-up$");
    private static final Pattern PART = Pattern.compile("/plans/\\d+/parts$");
    private static final int MOST = 290;

    /** What a page shows, by its address. */
    static Subject ofPage(String address, PlanFrame frame, RecordRows records) {
        int mark = address.indexOf('?');
        String path = mark < 0 ? address : address.substring(0, mark);
        String query = mark < 0 ? "" : address.substring(mark + 1);
        Matcher finding = FINDING.matcher(path);
        Matcher record = RECORD.matcher(path);
        if (finding.find()) {
            return of("finding:" + decoded(finding.group(1)), frame, records);
        }
        if (record.find()) {
            String at = value(query, "at");
            return of("record:" + record.group(1) + (at.matches("\\d{1,18}") ? "@" + at : ""), frame, records);
        }
        if (SYMPTOM.matcher(path).find() && !value(query, "see").isEmpty()) {
            return of(
                    "symptom:" + value(query, "see") + "|" + value(query, "yes") + "|" + value(query, "no"),
                    frame,
                    records);
        }
        if (PART.matcher(path).find() && !value(query, "part").isEmpty()) {
            return of("part:" + value(query, "part"), frame, records);
        }
        return NOTHING;
    }

    /** The subject as the plan has it now; what the plan has no more keeps its name only. */
    static Subject of(String about, PlanFrame frame, RecordRows records) {
        int colon = about.indexOf(':');
        if (colon < 0 || about.length() > MOST) {
            return NOTHING;
        }
        String id = about.substring(colon + 1);
        return switch (about.substring(0, colon)) {
            case "finding" -> finding(about, id, frame);
            case "record" -> record(about, id, frame, records);
            case "symptom" -> symptom(about, id);
            case "check" ->
                MeterCheck.of(frame.circuit()).stream()
                        .filter(c -> c.key().equals(id))
                        .findFirst()
                        .map(c -> new Subject(about, cut("check: " + c.where()), ""))
                        .orElse(NOTHING);
            case "part" ->
                frame.circuit()
                        .unit(id)
                        .map(u -> new Subject(about, cut(u.name()), ""))
                        .orElse(NOTHING);
            case "pin" ->
                frame.board().pins().stream()
                        .filter(p -> p.id().equals(id))
                        .findFirst()
                        .map(p -> new Subject(about, cut("pin " + p.label()), ""))
                        .orElse(NOTHING);
            case "revision" -> id.matches("\\d{1,9}") ? new Subject(about, "revision " + id, "") : NOTHING;
            default -> NOTHING;
        };
    }

    private static Subject finding(String about, String id, PlanFrame frame) {
        Optional<Finding> found = frame.report().findings().stream()
                .filter(f -> f.id().equals(id))
                .findFirst();
        return found.map(f -> new Subject(about, cut(f.sentence()), troubleOf(f)))
                .orElse(NOTHING);
    }

    /** Under which entries on a finding are found again. */
    static String troubleOf(Finding finding) {
        return finding.rule() + " "
                + finding.trouble().name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static Subject record(String about, String id, PlanFrame frame, RecordRows records) {
        String number = id.contains("@") ? id.substring(0, id.indexOf('@')) : id;
        return number.matches("\\d{1,18}")
                ? records.whole(frame.id(), Long.parseLong(number))
                        .map(r -> new Subject(about, cut("record " + r.name()), ""))
                        .orElse(NOTHING)
                : NOTHING;
    }

    private static Subject symptom(String about, String id) {
        String[] told = id.split("\\|", -1);
        return Symptoms.all().stream()
                .filter(s -> s.id().equals(told[0]))
                .findFirst()
                .map(s -> new Subject(about, cut(s.name() + course(told)), "symptom " + s.id()))
                .orElse(NOTHING);
    }

    private static String course(String[] told) {
        String yes = told.length > 1 ? listed(told[1]) : "";
        String no = told.length > 2 ? listed(told[2]) : "";
        return (yes.isEmpty() ? "" : "; found: " + yes) + (no.isEmpty() ? "" : "; ruled out: " + no);
    }

    private static String listed(String ids) {
        return Arrays.stream(ids.split(","))
                .filter(w -> !w.isBlank())
                .map(w -> w.replace('-', ' '))
                .collect(Collectors.joining(", "));
    }

    /** Where its page is; empty where there is none. */
    static String address(long planId, String about) {
        int colon = about.indexOf(':');
        if (colon < 0) {
            return "";
        }
        String base = "/plans/" + planId;
        String id = about.substring(colon + 1);
        return switch (about.substring(0, colon)) {
            case "finding" -> base + "/findings/" + id;
            case "record" -> base + "/traffic/" + (id.contains("@") ? id.replace("@", "?at=") : id);
            case "symptom" -> {
                String[] told = id.split("\\|", -1);
                yield base + "/bring-up?see=" + told[0] + (told.length > 2 ? "&yes=" + told[1] + "&no=" + told[2] : "");
            }
            case "check" -> base + "/wiring";
            case "part" -> base + "/parts";
            case "pin" -> base + "/pins";
            case "revision" -> base + "/pins?against=" + id;
            default -> "";
        };
    }

    private static String value(String query, String name) {
        return Arrays.stream(query.split("&"))
                .filter(p -> p.startsWith(name + "="))
                .map(p -> decoded(p.substring(name.length() + 1)))
                .findFirst()
                .orElse("");
    }

    private static String decoded(String text) {
        try {
            return URLDecoder.decode(text, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return "";
        }
    }

    private static String cut(String words) {
        return Names.cut(Names.cleaned(words), MOST);
    }
}
