package izzet.core.bench;

import izzet.core.calc.DcNetwork;
import izzet.core.catalog.Pin;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.plan.Target;
import izzet.core.quantity.Unit;
import izzet.core.wiring.MeterCheck;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A meter on the desk: ohms between two places while everything is unplugged, volts against ground while it runs and nothing is sent. Chips
 * are taken for open while they have no supply; a real meter may find a way through one.
 */
public final class Meter {

    /** More than any meter of a hobby bench shows. */
    private static final double OPEN_OHMS = 10e6;

    private final Desk desk;
    private final Circuit built;

    public Meter(Desk desk) {
        this.desk = desk;
        this.built = desk.built();
    }

    /**
     * A check of the plan with what the meter shows on this desk.
     *
     * @param value in the check's unit; infinite for an open circuit
     */
    public record Measured(MeterCheck check, double value, MeterCheck.Verdict verdict) {}

    /** Ohms between two places; infinite where nothing joins them. */
    public double ohms(Target a, Target b) {
        DcModel dc = built.dc();
        int from = dc.node(a);
        int to = dc.node(b);
        if (from < 0 || to < 0) {
            return Double.POSITIVE_INFINITY;
        }
        if (from == to) {
            return 0;
        }
        DcNetwork network = new DcNetwork();
        Map<Integer, Integer> index = new HashMap<>();
        index.put(to, network.held(0));
        for (DcModel.Element e : dc.elements()) {
            boolean fitted = e instanceof DcModel.Resistance r && r.unit() != null;
            if (fitted && desk.is(Desk.Condition.WITHOUT_FITTED_PULL_UPS)) {
                continue;
            }
            if (e instanceof DcModel.Resistance r && !r.weak()) {
                network.resistor(at(network, index, r.a()), at(network, index, r.b()), r.ohms());
            } else if (e instanceof DcModel.Dial d) {
                network.resistor(at(network, index, d.a()), at(network, index, d.wiper()), d.ohms() / 2);
                network.resistor(at(network, index, d.wiper()), at(network, index, d.b()), d.ohms() / 2);
            }
        }
        int probe = at(network, index, from);
        double seen = network.solve().ohmsAt(probe);
        return seen > OPEN_OHMS ? Double.POSITIVE_INFINITY : seen;
    }

    private static int at(DcNetwork network, Map<Integer, Integer> index, int node) {
        return index.computeIfAbsent(node, k -> network.node());
    }

    /** Volts against ground, with power and nothing sent; empty where nothing holds the place, and the meter shows this and that. */
    public Optional<Double> volts(Target end) {
        return volts(built, end, new DcModel.State());
    }

    /** The same with hands at contacts and dials. */
    static Optional<Double> volts(Circuit circuit, Target end, DcModel.State state) {
        DcModel dc = circuit.dc();
        int node = dc.node(end);
        if (node < 0) {
            return Optional.empty();
        }
        return dc.held(node).or(() -> dc.pieceAt(node)
                .map(p -> dc.at(p, state))
                .filter(point -> point.holds(node))
                .map(point -> point.volts(node)));
    }

    /** Every check of the plan that needs two probes and no judgement, as it comes out on this desk. */
    public List<Measured> checks() {
        List<Measured> all = new ArrayList<>();
        for (MeterCheck check : MeterCheck.of(desk.planned())) {
            value(check).ifPresent(v -> all.add(new Measured(check, v, check.judge(v))));
        }
        return all;
    }

    private Optional<Double> value(MeterCheck check) {
        String kind = check.key().substring(0, check.key().indexOf(':'));
        String rest = check.key().substring(kind.length() + 1);
        Target ground = Target.rail(built.board().ground().id());
        return switch (kind) {
            case "wire" -> {
                int arrow = rest.indexOf('>');
                yield Optional.of(ohms(Target.of(rest.substring(0, arrow)), Target.of(rest.substring(arrow + 1))));
            }
            case "short" -> {
                String[] rails = rest.split(":");
                yield Optional.of(ohms(Target.rail(rails[0]), rails.length > 1 ? Target.rail(rails[1]) : ground));
            }
            case "rail" ->
                volts(rest.contains(":") ? Target.of(rest) : Target.rail(rest)).or(() -> Optional.of(0.0));
            case "idle" -> idle(rest);
            case "reset" ->
                check.unit() == Unit.VOLT ? Optional.of(volts(Target.of(rest)).orElse(0.0)) : Optional.empty();
            default -> Optional.empty();
        };
    }

    private Optional<Double> idle(String key) {
        int at = key.indexOf("pin ");
        if (at < 0) {
            return Optional.empty();
        }
        String label = key.substring(at + "pin ".length());
        Optional<Pin> pin = built.board().pins().stream()
                .filter(p -> p.label().equals(label))
                .findFirst();
        if (pin.isEmpty() || !desk.is(Desk.Condition.WITHOUT_FITTED_PULL_UPS)) {
            return pin.map(p -> volts(Target.pin(p.id())).orElse(0.0));
        }
        return Optional.of(
                new DeskBus(desk, label, label, Map.of()).rises()
                        ? volts(Target.pin(pin.get().id())).orElse(0.0)
                        : 0.0);
    }
}
