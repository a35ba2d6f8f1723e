package izzet.core.plan;

/**
 * One thing wrong with a plan document.
 *
 * @param line in the text, counted from 1; 0 when the plan did not come from a text
 * @param path JSON pointer to the place
 * @param message what is wrong, which value, and what to do
 */
public record PlanProblem(int line, String path, String message) {

    @Override
    public String toString() {
        return (line > 0 ? "line " + line + ", " : "") + (path.isEmpty() ? "the document" : path) + ": " + message;
    }
}
