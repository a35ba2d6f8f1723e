package izzet.core.buses;

import izzet.core.calc.I2cMode;
import izzet.core.calc.PullUps;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.JoinedNet;
import izzet.core.circuit.Net;
import izzet.core.plan.Bus;
import izzet.core.plan.Cable;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.List;

/**
 * The pull-ups of one line of a 2-wire bus, and the window that they should stand in. Ohms, farads, seconds, amperes, volts.
 *
 * @param fitted all that act together
 * @param none whether a side has no pull-up and nothing that could lift it
 * @param ohms of all in parallel; infinite for none
 * @param least that can be held low, most that still rises in time
 * @param sink that whoever holds the line low must take, {@code sinkLimit} what is promised
 * @param rise from 30 % to 70 % of the slowest side, {@code riseLimit} of the mode
 */
public record PullUpWindow(
        JoinedNet net,
        I2cMode mode,
        List<JoinedNet.Fitted> fitted,
        boolean none,
        double ohms,
        double least,
        double most,
        double farads,
        double idle,
        double sink,
        double sinkLimit,
        double rise,
        double riseLimit) {

    /** What a line is when one of its pull-ups is taken off. */
    public record Without(JoinedNet.Fitted off, PullUpWindow then) {}

    /** One for each line and segment, in the order of the plan. */
    public static List<PullUpWindow> of(Circuit circuit) {
        return circuit.joinedNets().stream().map(net -> of(net, circuit, null)).toList();
    }

    /** A plan with another clock, other wires; nothing of it is changed. */
    public static Circuit whatIf(Circuit circuit, String busId, int clockHz, double centimetres, Cable cable) {
        Plan plan = circuit.plan();
        Bus old = plan.bus(busId).orElseThrow();
        PlanEdit edit = new PlanEdit.Together(
                "what if",
                List.of(
                        new PlanEdit.PutBus(new Bus(old.id(), old.kind(), old.name(), old.controller(), clockHz)),
                        new PlanEdit.SetWire(centimetres, cable)));
        return new Circuit(edit.apply(plan), circuit.catalog());
    }

    /** @param off one that is taken off; null for none */
    private static PullUpWindow of(JoinedNet net, Circuit circuit, JoinedNet.Fitted off) {
        List<JoinedNet.Fitted> fitted = new ArrayList<>();
        double farads = net.farads(circuit);
        double rise = 0;
        boolean taken = off == null;
        for (List<Net> side : net.sides()) {
            List<JoinedNet.Fitted> here = new ArrayList<>(JoinedNet.fittedOn(circuit, side));
            taken = taken || here.remove(off);
            fitted.addAll(here);
            if (!here.isEmpty()) {
                // A side without any is lifted by the others, and rises with them.
                rise = Math.max(rise, pullUps(here).riseSeconds(farads));
            }
        }
        PullUps all = pullUps(fitted);
        I2cMode mode = I2cMode.forClock(net.bus().clockHz());
        double limit = net.sinkLimit(circuit);
        double idle = all.none() ? circuit.board().logicVolts() : all.idleVolts();
        return new PullUpWindow(
                net,
                mode,
                List.copyOf(fitted),
                all.none() || off == null && net.bare(circuit),
                all.parallelOhms(),
                PullUps.minimumOhms(idle, limit),
                PullUps.maximumOhms(mode.riseSeconds(), farads),
                farads,
                idle,
                all.sinkAmperes(),
                limit,
                rise,
                mode.riseSeconds());
    }

    private static PullUps pullUps(List<JoinedNet.Fitted> fitted) {
        return new PullUps(fitted.stream().map(JoinedNet.Fitted::pullUp).toList());
    }

    public boolean tooStrong() {
        return sink > sinkLimit;
    }

    public boolean tooSlow() {
        return !none && rise > riseLimit;
    }

    public boolean fine() {
        return !none && !tooStrong() && !tooSlow();
    }

    /** Whether no value at all would do. */
    public boolean shut() {
        return least > most;
    }

    /** What taking off each would do. */
    public List<Without> without(Circuit circuit) {
        List<Without> all = new ArrayList<>();
        for (JoinedNet.Fitted off : fitted) {
            all.add(new Without(off, of(net, circuit, off)));
        }
        return all;
    }

    /** Volts of the rising edge at a time after it is let go, from 0. */
    public double edge(double seconds) {
        return none ? 0 : idle * (1 - Math.exp(-seconds * PullUps.RISE_FACTOR / rise));
    }

    /** When the edge passes a share of the idle level, in seconds. */
    public double timeTo(double share) {
        return -Math.log(1 - share) * rise / PullUps.RISE_FACTOR;
    }
}
