package izzet.core.check;

/** How bad a finding is, worst first. */
public enum Severity {
    STOP("stop", "■", "can damage something, or cannot work"),
    FIX("fix", "▲", "out of specification, or will misbehave"),
    ADVISE("advise", "◆", "works, but there is a better way"),
    NOTE("note", "●", "worth knowing");

    private final String word;
    private final String mark;
    private final String meaning;

    Severity(String word, String mark, String meaning) {
        this.word = word;
        this.mark = mark;
        this.meaning = meaning;
    }

    public String word() {
        return word;
    }

    /** A shape of its own, so that colour is never the only sign. */
    public String mark() {
        return mark;
    }

    /** Whether a plan is not done while it has one. */
    public boolean mustBeMended() {
        return this == STOP || this == FIX;
    }

    public String meaning() {
        return meaning;
    }
}
