package izzet.core.circuit;

import izzet.core.catalog.Role;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The voltage at the contrast line of a character display, over the display's own ladder to its supply.
 *
 * @param volts over the turn of what sets it, from one end to the other; one value where nothing turns
 */
public record Contrast(Wire line, List<Double> volts) {

    public static final double READABLE_FROM = 0.2;
    public static final double READABLE_TO = 1.0;
    public static final String SOURCE =
            "Character display controller data sheet (HD44780U), bias ladder; ladder of 11 kΩ and readable range from memory";

    private static final int POSITIONS = 50;

    public Contrast {
        volts = List.copyOf(volts);
    }

    /** Connected contrast lines of displays whose supply is known, in the order of the plan. */
    public static List<Contrast> of(Circuit circuit) {
        return of(circuit, false);
    }

    /** The same, each only up to the first place where it can be read: all that a check wants to know. */
    public static List<Contrast> untilReadable(Circuit circuit) {
        return of(circuit, true);
    }

    private static List<Contrast> of(Circuit circuit, boolean untilReadable) {
        List<Contrast> all = new ArrayList<>();
        for (Wire wire : circuit.wires()) {
            if (sets(circuit, wire)
                    && circuit.wire(wire.unit(), Role.SUPPLY)
                            .flatMap(s -> circuit.railVolts(s.from()))
                            .isPresent()) {
                all.add(new Contrast(wire, over(circuit, wire, untilReadable)));
            }
        }
        return all;
    }

    /** Whether it is a contrast line that something hangs on. */
    public static boolean sets(Circuit circuit, Wire wire) {
        return wire.role() == Role.CONTRAST && wire.net().isPresent();
    }

    private static List<Double> over(Circuit circuit, Wire wire, boolean untilReadable) {
        DcModel dc = circuit.dc();
        int node = wire.node();
        Optional<DcModel.Piece> piece = dc.pieceAt(node);
        if (piece.isEmpty()) {
            return List.of(dc.held(node).orElseThrow());
        }
        List<DcModel.Dial> dials = piece.get().of(DcModel.Dial.class);
        if (dials.isEmpty()) {
            return List.of(dc.at(piece.get(), new DcModel.State()).volts(node));
        }
        List<Double> volts = new ArrayList<>();
        for (int i = 0; i <= POSITIONS; i++) {
            DcModel.State state = new DcModel.State();
            double share = i / (double) POSITIONS;
            dials.forEach(d -> state.turn(d, share));
            volts.add(dc.at(piece.get(), state).volts(node));
            if (untilReadable && readable(volts.get(i))) {
                break;
            }
        }
        return volts;
    }

    public boolean turned() {
        return volts.size() > 1;
    }

    public double least() {
        return volts.stream().min(Double::compare).orElseThrow();
    }

    public double most() {
        return volts.stream().max(Double::compare).orElseThrow();
    }

    /** Of the turn, from 0 to 1, in which characters can be read. */
    public double readableShare() {
        return volts.stream().filter(Contrast::readable).count() / (double) volts.size();
    }

    public static boolean readable(double volts) {
        return volts >= READABLE_FROM && volts <= READABLE_TO;
    }
}
