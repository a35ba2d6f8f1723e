package izzet.core.circuit;

import izzet.core.catalog.Board;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** What each output carries at rest when everything that hangs on it is lit: the most it gives, and the most it takes. */
public final class PinCurrents {

    /** Less is a leak. */
    private static final double NOTHING_AMPERES = 20e-6;

    private PinCurrents() {}

    /**
     * @param sourceAmperes that flow out of it when it is high, sinkAmperes into it when it is low
     * @param lamps on its piece
     */
    public record Load(DcModel.Output output, double sourceAmperes, double sinkAmperes, int lamps) {

        /** Its part of a sum: what goes beyond its own limit is a trouble of its own, and one cause is told once. */
        public Load withinLimit() {
            Double most = output.maxMilliamps();
            return most == null
                    ? this
                    : new Load(output, Math.min(sourceAmperes, most / 1000), Math.min(sinkAmperes, most / 1000), lamps);
        }
    }

    /** Outputs that carry something. */
    public static List<Load> of(Circuit circuit) {
        DcModel dc = circuit.dc();
        List<Load> loads = new ArrayList<>();
        for (DcModel.Piece piece : dc.pieces()) {
            if (piece.unloaded()) {
                continue;
            }
            int lamps = piece.of(DcModel.Lamp.class).size();
            for (DcModel.Output output : piece.outputs()) {
                double gives = 0;
                double takes = 0;
                // Against the others high and low: an output may feed what another one sinks.
                boolean alone = piece.outputs().size() == 1;
                for (boolean others : alone ? new boolean[] {true} : new boolean[] {true, false}) {
                    gives = Math.max(gives, flow(dc, piece, output, true, others));
                    takes = Math.max(takes, -flow(dc, piece, output, false, others));
                }
                if (gives > NOTHING_AMPERES || takes > NOTHING_AMPERES) {
                    loads.add(new Load(output, gives, takes, lamps));
                }
            }
        }
        return loads;
    }

    /**
     * What pins carry together, each counted up to its own limit, in amperes.
     *
     * @param what the group's name, or "all pins"
     */
    public record Sum(String what, double amperes, double limit) {}

    /** Of the board's groups of pins and of all its pins. */
    public static List<Sum> sums(Circuit circuit, List<Load> loads) {
        Board.PinCurrent limits = circuit.board().current();
        Map<String, Load> pins = loads.stream()
                .filter(l -> l.output().end().isPin())
                .collect(Collectors.toMap(l -> l.output().end().name(), Load::withinLimit, (a, b) -> a));
        List<Sum> sums = new ArrayList<>();
        for (Board.PinCurrent.Group group : limits.groups()) {
            boolean source = !"sink".equals(group.way());
            boolean sink = !"source".equals(group.way());
            double amperes = group.pins().stream()
                    .filter(pins::containsKey)
                    .map(pins::get)
                    .mapToDouble(l -> (source ? l.sourceAmperes() : 0) + (sink ? l.sinkAmperes() : 0))
                    .sum();
            sums.add(new Sum(group.name(), amperes, group.milliamps() / 1000));
        }
        double sourced = pins.values().stream().mapToDouble(Load::sourceAmperes).sum();
        double sunk = pins.values().stream().mapToDouble(Load::sinkAmperes).sum();
        sums.add(new Sum("all pins", Math.max(sourced, sunk), limits.totalMilliamps() / 1000));
        return sums;
    }

    private static double flow(DcModel dc, DcModel.Piece piece, DcModel.Output output, boolean high, boolean others) {
        DcModel.State state = new DcModel.State().drive(output, high).idealOutputs();
        piece.outputs().stream()
                .filter(o -> o != output && !o.end().equals(output.end()) && o.node() != output.node())
                .forEach(o -> state.drive(o, others));
        return dc.at(piece, state).amperes(output);
    }
}
