package izzet.core.circuit;

import java.util.ArrayList;
import java.util.List;

/** What flows through each lamp of a plan when it is lit as brightly as the circuit can. */
public final class LampCurrents {

    /** More outputs on one piece are lit one by one and all together instead of in every combination. */
    private static final int MOST_COMBINED = 6;

    private LampCurrents() {}

    /**
     * One lamp.
     *
     * @param bothEnds whether both its ends lead somewhere
     * @param amperes the most that can flow, with outputs as strong as can be
     * @param openVolts across it in that state, were it taken out
     * @param seriesOhms between its ends outside it, in that state
     * @param dimmedAmperes the least over the turn of the dials in its way, driven likewise; the same without any
     * @param outputMilliamps what the weakest output in its way may carry; null when none is
     */
    public record Lit(
            DcModel.Lamp lamp,
            Wire line,
            boolean bothEnds,
            double amperes,
            double dimmedAmperes,
            double openVolts,
            double seriesOhms,
            Double outputMilliamps) {}

    /** In the order of the plan; lamps of which neither end is connected are left out. */
    public static List<Lit> of(Circuit circuit) {
        List<Lit> all = new ArrayList<>();
        DcModel dc = circuit.dc();
        for (DcModel.Element e : dc.elements()) {
            if (e instanceof DcModel.Lamp lamp && connected(circuit, lamp)) {
                all.add(lit(circuit, dc, lamp));
            }
        }
        return all;
    }

    private static boolean connected(Circuit circuit, DcModel.Lamp lamp) {
        return lamp.line() != null && circuit.netOf(lamp.line().from()).isPresent()
                || lamp.cathode() != null
                        && lamp.line() == lamp.cathode()
                        && circuit.netOf(lamp.cathode().from()).isPresent();
    }

    private static Lit lit(Circuit circuit, DcModel dc, DcModel.Lamp lamp) {
        DcModel.Piece piece =
                dc.pieceAt(lamp.a()).or(() -> dc.pieceAt(lamp.b())).orElse(null);
        Wire line = lamp.line();
        if (piece == null) {
            // Between two supplies, without anything in the way.
            double across = dc.held(lamp.a()).orElse(0.0) - dc.held(lamp.b()).orElse(0.0);
            boolean lit = across > lamp.data().forwardVolts();
            return new Lit(lamp, line, true, lit ? 1 : 0, lit ? 1 : 0, across, 0, null);
        }
        DcModel.State brightest = null;
        DcModel.Point point = null;
        for (DcModel.State state : states(piece)) {
            DcModel.Point lit = dc.at(piece, state.idealOutputs());
            if (point == null || lit.amperes(lamp) > point.amperes(lamp)) {
                brightest = state;
                point = lit;
            }
        }
        double amperes = point.amperes(lamp);
        DcModel.Point without = dc.at(piece, brightest.without(lamp));
        brightest.without(null);
        boolean held = without.holds(lamp.a()) && without.holds(lamp.b());
        double open = held ? without.volts(lamp.a()) - without.volts(lamp.b()) : 0;
        return new Lit(
                lamp,
                line,
                held,
                amperes,
                dimmed(dc, piece, brightest, lamp, amperes),
                open,
                without.ohmsAround(lamp),
                outputLimit(piece, point));
    }

    private static double dimmed(
            DcModel dc, DcModel.Piece piece, DcModel.State state, DcModel.Lamp lamp, double brightest) {
        double least = brightest;
        List<DcModel.Dial> dials = piece.of(DcModel.Dial.class);
        for (int end = 0; end < 2 && !dials.isEmpty(); end++) {
            double share = end;
            DcModel.State turned = state.copy();
            dials.forEach(d -> turned.turn(d, share));
            least = Math.min(least, dc.at(piece, turned).amperes(lamp));
        }
        return Math.max(0, least);
    }

    private static Double outputLimit(DcModel.Piece piece, DcModel.Point point) {
        return piece.outputs().stream()
                .filter(o -> o.maxMilliamps() != null && Math.abs(point.amperes(o)) > 1e-4)
                .map(DcModel.Output::maxMilliamps)
                .min(Double::compare)
                .orElse(null);
    }

    /** Every combination where they are few, else each output against all others; contacts closed, dials at either end. */
    private static List<DcModel.State> states(DcModel.Piece piece) {
        List<DcModel.State> states = new ArrayList<>();
        List<DcModel.Contact> contacts = piece.of(DcModel.Contact.class);
        List<DcModel.Dial> dials = piece.of(DcModel.Dial.class);
        // A potentiometer dims by either of its halves, whichever is wired.
        for (int end = 0; end < (dials.isEmpty() ? 1 : 2); end++) {
            for (DcModel.State state : driven(piece.outputs())) {
                for (DcModel.Dial dial : dials) {
                    state.turn(dial, end);
                }
                contacts.forEach(c -> state.close(c, true));
                states.add(state);
            }
        }
        return states;
    }

    private static List<DcModel.State> driven(List<DcModel.Output> outputs) {
        List<DcModel.State> states = new ArrayList<>();
        int n = outputs.size();
        if (n <= MOST_COMBINED) {
            for (int bits = 0; bits < 1 << n; bits++) {
                DcModel.State state = new DcModel.State();
                for (int i = 0; i < n; i++) {
                    state.drive(outputs.get(i), (bits >> i & 1) == 1);
                }
                states.add(state);
            }
        } else {
            for (DcModel.Output one : outputs) {
                for (boolean high : new boolean[] {true, false}) {
                    DcModel.State state = new DcModel.State();
                    outputs.forEach(o -> state.drive(o, (o == one) == high));
                    states.add(state);
                }
            }
        }
        return states;
    }
}
