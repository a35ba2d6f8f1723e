package izzet.core.check;

import izzet.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Collects what the rules find. Not thread-safe; one per check. */
public final class Findings {

    private final List<Finding> found = new ArrayList<>();
    private final List<Report.Undecided> undecided = new ArrayList<>();
    private final Map<String, Tally> compared = new LinkedHashMap<>();

    /** What one rule has looked at so far. */
    private static final class Tally {
        private final String subject;
        private int count;
        private Quantity tightest;
        private String where;

        private Tally(String subject) {
            this.subject = subject;
        }
    }

    /** Starts a finding; {@link Draft#add()} ends it. */
    public Draft of(Rule rule, Severity severity, String wording) {
        return new Draft(rule, severity, wording);
    }

    /** The rule has looked at something that could be wrong; one that never does has nothing to find fine. */
    public void looked(Rule rule) {
        compared(rule, null, null);
    }

    /** The rule has compared something, with this margin. */
    public void compared(Rule rule, Quantity margin, Object where) {
        Tally tally = compared.get(rule.id());
        if (tally == null) {
            tally = new Tally(rule.subject());
            compared.put(rule.id(), tally);
        }
        tally.count++;
        boolean tighter = margin != null
                && (tally.tightest == null
                        || tally.tightest.unit() == margin.unit() && margin.compareTo(tally.tightest) < 0);
        if (tighter) {
            tally.tightest = margin;
            tally.where = where.toString();
        }
    }

    Map<String, Report.Fine> compared() {
        Map<String, Report.Fine> all = new LinkedHashMap<>();
        compared.forEach((rule, t) -> all.put(rule, new Report.Fine(t.subject, t.count, t.tightest, t.where)));
        return all;
    }

    /** The rule cannot tell, because {@code missing} is not known. */
    public void cannotTell(Rule rule, Place place, String missing) {
        undecided.add(new Report.Undecided(rule.id(), place, missing));
    }

    void addAll(Findings others) {
        found.addAll(others.found);
        undecided.addAll(others.undecided);
        compared.putAll(others.compared);
    }

    List<Finding> found() {
        return found;
    }

    List<Report.Undecided> undecided() {
        return undecided;
    }

    /** A finding in the making. */
    public final class Draft {
        private final Rule rule;
        private final Severity severity;
        private final String wording;
        private final List<Place> places = new ArrayList<>();
        private final List<Place> others = new ArrayList<>();
        private final Map<String, String> words = new LinkedHashMap<>();
        private final List<Figure> figures = new ArrayList<>();
        private String aspect = "";
        private boolean seenWorking;
        private String formula;
        private String source;
        private String remedy;

        private Draft(Rule rule, Severity severity, String wording) {
            this.rule = rule;
            this.severity = severity;
            this.wording = wording;
        }

        /** Tells it from others of the rule at the same places. */
        public Draft aspect(String text) {
            aspect = text;
            return this;
        }

        public Draft at(Place... where) {
            places.addAll(List.of(where));
            return this;
        }

        public Draft at(List<Place> where) {
            places.addAll(where);
            return this;
        }

        /** Places that have a share in it, but may change while it stays the same trouble; they do not make its id. */
        public Draft with(List<Place> where) {
            others.addAll(where);
            return this;
        }

        public Draft word(String name, Object value) {
            words.put(name, value.toString());
            return this;
        }

        public Draft figure(String name, Object value) {
            figures.add(Figure.of(name, value, null));
            return this;
        }

        public Draft figure(String name, Object value, String origin) {
            figures.add(Figure.of(name, value, origin));
            return this;
        }

        /** A value that may not be above its limit, or below it where {@code atMost} is false. */
        public Draft compared(String name, Quantity value, Quantity limit, boolean atMost, String origin) {
            double margin = atMost ? limit.value() - value.value() : value.value() - limit.value();
            figures.add(Figure.compared(name, value, limit, new Quantity(margin, value.unit()), origin));
            return this;
        }

        public Draft formula(String text) {
            formula = text;
            return this;
        }

        public Draft source(String text) {
            source = text;
            return this;
        }

        public Draft remedy(String text) {
            remedy = text;
            return this;
        }

        public Draft seenWorking(boolean seen) {
            seenWorking = seen;
            return this;
        }

        public void add() {
            int naming = places.size();
            places.addAll(others);
            found.add(new Finding(
                    rule.id(),
                    rule.group(),
                    aspect,
                    severity,
                    rule.trouble(),
                    seenWorking,
                    places,
                    naming,
                    wording,
                    words,
                    figures,
                    formula,
                    source,
                    remedy));
        }
    }
}
