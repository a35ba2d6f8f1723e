package izzet.core.circuit;

import izzet.core.catalog.ElementKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import izzet.core.plan.Connection;
import izzet.core.plan.Resistor;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;

/**
 * Finds the rail that a supply or ground line reaches over resistors of the plan and contacts of parts. Resistors on modules are left out:
 * a pull-up from a bus is no supply.
 */
final class Leads {

    /** From node to node; a contact has no resistance, and its unit. */
    private record Step(int to, double ohms, Unit contact) {}

    private record Reached(int node, double ohms, List<Unit> contacts) {}

    private final Circuit circuit;
    private final Nets nets;
    private final Map<Integer, List<Step>> steps = new HashMap<>();
    private boolean contacts;

    Leads(Circuit circuit, Nets nets) {
        this.circuit = circuit;
        this.nets = nets;
        for (Connection c : circuit.connections()) {
            if (c.seriesOhms() != null) {
                join(c.from(), c.to(), c.seriesOhms(), null);
            }
        }
        for (Resistor r : circuit.resistors()) {
            join(r.from(), r.to(), r.ohms(), null);
        }
        for (Unit unit : circuit.units()) {
            for (Part.Element e : unit.part().elements()) {
                if (e.kind() == ElementKind.SWITCH) {
                    contacts = true;
                    join(Target.line(unit.id(), e.a()), Target.line(unit.id(), e.b()), 0, unit);
                }
            }
        }
    }

    private void join(Target from, Target to, double ohms, Unit contact) {
        int a = nets.node(from);
        int b = nets.node(to);
        if (a >= 0 && b >= 0 && a != b) {
            steps.computeIfAbsent(a, k -> new ArrayList<>()).add(new Step(b, ohms, contact));
            steps.computeIfAbsent(b, k -> new ArrayList<>()).add(new Step(a, ohms, contact));
        }
    }

    /** Whether any part has a contact. */
    boolean anyContact() {
        return contacts;
    }

    /** The rail with the least resistance on the way; empty where wires alone lead to one, or nothing does. */
    Optional<Lead> of(Wire wire) {
        boolean ground = wire.role() == Role.GROUND;
        if (steps.isEmpty() || wire.net().isEmpty() || !ground && wire.role() != Role.SUPPLY) {
            return Optional.empty();
        }
        PriorityQueue<Reached> open = new PriorityQueue<>(Comparator.comparingDouble(Reached::ohms));
        Set<Integer> seen = new HashSet<>();
        open.add(new Reached(wire.node(), 0, List.of()));
        while (!open.isEmpty()) {
            Reached here = open.poll();
            if (!seen.add(here.node)) {
                continue;
            }
            List<Rail> rails = rails(here.node);
            Optional<Rail> rail =
                    rails.stream().filter(r -> r.ground() == ground).findFirst();
            if (rail.isPresent()) {
                return here.node == wire.node()
                        ? Optional.empty()
                        : Optional.of(new Lead(rail.get(), here.ohms, here.contacts));
            }
            // A rail of the other kind ends the way: what lies behind it is not reached through it.
            for (Step step : rails.isEmpty() ? steps.getOrDefault(here.node, List.of()) : List.<Step>of()) {
                List<Unit> passed = new ArrayList<>(here.contacts);
                if (step.contact != null) {
                    passed.add(step.contact);
                }
                open.add(new Reached(step.to, here.ohms + step.ohms, passed));
            }
        }
        return Optional.empty();
    }

    private List<Rail> rails(int node) {
        List<Rail> rails = new ArrayList<>();
        for (Target end : nets.endsAt(node)) {
            if (end.isRail()) {
                circuit.board().rail(end.name()).ifPresent(rails::add);
            } else {
                circuit.wire(end).flatMap(Wire::source).ifPresent(rails::add);
            }
        }
        return rails;
    }
}
