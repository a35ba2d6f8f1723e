package izzet.core.circuit;

import java.util.ArrayList;
import java.util.List;

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
                for (boolean others : new boolean[] {true, false}) {
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

    private static double flow(DcModel dc, DcModel.Piece piece, DcModel.Output output, boolean high, boolean others) {
        DcModel.State state = new DcModel.State().drive(output, high).idealOutputs();
        piece.outputs().stream()
                .filter(o -> o != output && !o.end().equals(output.end()) && o.node() != output.node())
                .forEach(o -> state.drive(o, others));
        return dc.at(piece, state).amperes(output);
    }
}
