package izzet.core.assign;

/** What an assignment is priced by. The points are common practice; the weights are the user's. */
public enum Criterion {
    DUTIES("pins with a duty", "console, boot, lamp and pull-up pins stay free"),
    RARE("rare functions", "analog inputs, PWM and pins of other buses stay free"),
    EXTRA("parts to add", "no resistor is needed that another pin would save"),
    DETOUR("lines behind an expander", "lines go straight to the board"),
    HARDWARE("buses made by the program", "buses run on the board's controllers"),
    USUAL("buses off their usual place", "buses lie where libraries expect them"),
    MOVED("wires to move", "what is wired stays"),
    SIDE("strips of a part", "the wires of a part leave on one side"),
    NEAR("wires apart or crossed", "the wires of a part lie side by side in their order"),
    PORT("data lines out of order", "data lines lie in one port in their order");

    private final String label;
    private final String wish;

    Criterion(String label, String wish) {
        this.label = label;
        this.wish = wish;
    }

    /** What is counted. */
    public String label() {
        return label;
    }

    /** What a high weight asks for. */
    public String wish() {
        return wish;
    }
}
