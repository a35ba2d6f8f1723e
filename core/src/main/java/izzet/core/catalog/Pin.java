package izzet.core.catalog;

import java.util.List;
import java.util.Optional;

/**
 * One connection point of a board under all its numbers.
 *
 * @param id as plans name it; unique on the board
 * @param label printed beside it
 * @param position physical place: header number, or header name and index
 * @param chip GPIO number or port and bit of the chip; null on supply pins
 * @param group pins of one group lie together
 * @param rail id of the rail it brings out; null on signal pins
 * @param atReset until the program runs; null when it floats
 * @param pulls resistors inside the chip that a program can switch on, {@code up} and {@code down}, or {@code none}; null for what the board
 *     says of all
 * @param functions what it can do; empty on supply pins
 * @param duties what else it is bound to
 */
public record Pin(
        String id,
        String label,
        String position,
        String chip,
        String group,
        String rail,
        ResetPull atReset,
        List<String> pulls,
        List<PinFunction> functions,
        List<Duty> duties) {

    /**
     * What a pin is bound to besides the user's wishes.
     *
     * @param level wanted or present at reset: {@code high} or {@code low}; may be null
     * @param grade what the wrong level of a boot pin does; null elsewhere
     * @param ohms of a fitted pull-up or pull-down; may be null
     * @param note one sentence for people
     * @param source key into the sources of the file
     */
    public record Duty(DutyKind kind, String level, BootGrade grade, Double ohms, String note, String source) {}

    public Pin {
        functions = functions == null ? List.of() : List.copyOf(functions);
        duties = duties == null ? List.of() : List.copyOf(duties);
        pulls = pulls == null ? null : List.copyOf(pulls);
    }

    /** By its id: all that it can do would take long. */
    @Override
    public int hashCode() {
        return id.hashCode();
    }

    public boolean signal() {
        return rail == null;
    }

    public boolean can(String capability) {
        return First.any(functions, f -> capability.equals(f.capability()));
    }

    /** The function that gives this signal of this controller. */
    public Optional<PinFunction> signalOf(String controller, String signal) {
        return First.of(functions, f -> controller.equals(f.controller()) && signal.equals(f.signal()));
    }

    /** What makes a pin a worse choice; the resistor that belongs to its boot duty is no reason of its own. */
    public List<Duty> pricedDuties() {
        boolean boot = duty(DutyKind.BOOT).isPresent();
        return duties.stream()
                .filter(d -> !boot || d.kind() != DutyKind.PULL_UP)
                .toList();
    }

    Pin withoutConsole() {
        List<Duty> left =
                duties.stream().filter(d -> d.kind() != DutyKind.CONSOLE).toList();
        return left.size() == duties.size()
                ? this
                : new Pin(id, label, position, chip, group, rail, atReset, pulls, functions, left);
    }

    public Optional<Duty> duty(DutyKind kind) {
        return First.of(duties, d -> d.kind() == kind);
    }
}
