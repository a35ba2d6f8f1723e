package izzet.core.circuit;

import izzet.core.catalog.Part;
import izzet.core.catalog.Rail;
import izzet.core.catalog.Role;
import java.util.Optional;

/**
 * What resistors in a supply or ground line of a part take away as it takes current.
 *
 * @param ohms of them together
 * @param railVolts that the part's supply has at its rail
 * @param leastVolts that the part works from
 * @param mostMilliamps that it takes
 * @param usualMilliamps that it takes as a rule; null where that is not known
 */
public record SupplyLoss(
        double ohms, double railVolts, double leastVolts, double mostMilliamps, Double usualMilliamps) {

    /** @return empty where a figure is not known, or other lines of the part share its current */
    static Optional<SupplyLoss> of(Circuit circuit, Wire wire, Lead lead) {
        Part.Supply supply = wire.unit().part().supply();
        boolean feeds = wire.role() == Role.SUPPLY;
        Double rail = feeds
                ? Double.valueOf(lead.rail().volts())
                : circuit.wire(wire.unit(), Role.SUPPLY)
                        .flatMap(w -> circuit.rail(w.from()))
                        .map(Rail::volts)
                        .orElse(null);
        Double least = feeds || supply == null ? wire.leastVolts() : (Double) supply.minVolts();
        if (supply == null || supply.maxMilliamps() == null || least == null || rail == null || shared(circuit, wire)) {
            return Optional.empty();
        }
        if (circuit.wiresOf(wire.unit()).stream().anyMatch(w -> w.source().isPresent())) {
            // What it takes for others comes on top, how much is not known.
            return Optional.empty();
        }
        Double carried = supply.carriesMilliamps();
        SupplyLoss loss = new SupplyLoss(
                lead.ohms(),
                rail,
                least,
                supply.maxMilliamps() + (carried == null ? 0 : carried),
                supply.typicalMilliamps());
        // What its pins give is no more than it can carry, and may be much less.
        return carried != null && loss.most() > loss.spare() ? Optional.empty() : Optional.of(loss);
    }

    /** Whether other lines of the part take some of the current, how much is not known. */
    private static boolean shared(Circuit circuit, Wire wire) {
        return circuit.wiresOf(wire.unit()).stream()
                .anyMatch(w ->
                        w.role() == wire.role() && !w.equals(wire) && w.net().isPresent());
    }

    /** Volts lost at the most current. */
    public double most() {
        return ohms * mostMilliamps / 1000;
    }

    /** Volts lost as a rule; 0 where that is not known. */
    public double usual() {
        return usualMilliamps == null ? 0 : ohms * usualMilliamps / 1000;
    }

    /** Volts that may be lost. */
    public double spare() {
        return railVolts - leastVolts;
    }
}
