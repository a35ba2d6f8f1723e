package izzet.core.levels;

import izzet.core.calc.PreferredValues;
import izzet.core.calc.SeriesResistor;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.DcModel;
import izzet.core.circuit.LampCurrents;
import izzet.core.plan.Connection;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A lamp or backlight of a plan with the resistor that it has or wants.
 *
 * @param wire that holds its resistor, or would
 * @param dialled whether a potentiometer in its way dims it
 */
public record LampBench(LampCurrents.Lit lit, Connection wire, boolean dialled) {

    /** Less is a wire. */
    private static final double WIRE_OHMS = 1;

    public static final String BRIGHTNESS = "Common practice: a lamp's light goes about with its current";

    /** Lamps with both ends connected and enough voltage for them, in the order of the plan. */
    public static List<LampBench> of(Circuit circuit) {
        return circuit.lamps().stream()
                .filter(lit ->
                        lit.bothEnds() && lit.openVolts() > lit.lamp().data().forwardVolts())
                .flatMap(lit ->
                        holder(circuit, lit).map(wire -> new LampBench(lit, wire, dialled(circuit, lit))).stream())
                .toList();
    }

    /** The wire in either lead that has a resistor; where none has, that of the line that names the lamp. */
    private static Optional<Connection> holder(Circuit circuit, LampCurrents.Lit lit) {
        List<Connection> leads = Stream.of(
                        lit.line(), lit.lamp().anode(), lit.lamp().cathode())
                .filter(Objects::nonNull)
                .flatMap(w -> circuit.connections().stream()
                        .filter(c -> c.from().equals(w.from()) || c.to().equals(w.from())))
                .distinct()
                .toList();
        return leads.stream().filter(c -> c.seriesOhms() != null).findFirst().or(() -> leads.stream()
                .findFirst());
    }

    private static boolean dialled(Circuit circuit, LampCurrents.Lit lit) {
        return Stream.of(lit.lamp().a(), lit.lamp().b())
                .flatMap(n -> circuit.dc().pieceAt(n).stream())
                .anyMatch(p -> !p.of(DcModel.Dial.class).isEmpty());
    }

    public double ratedAmperes() {
        return lit.lamp().data().typicalMilliamps() / 1000;
    }

    /** Of the lamp and of the pins and outputs that it hangs on. */
    public double limitAmperes() {
        double lamp = lit.lamp().data().maxMilliamps();
        return (lit.outputMilliamps() == null ? lamp : Math.min(lamp, lit.outputMilliamps())) / 1000;
    }

    /** Of full brightness, what shines now. */
    public double share() {
        return lit.amperes() / ratedAmperes();
    }

    /** Of the resistor that the wire has; null for none. */
    public Double fittedOhms() {
        return wire.seriesOhms();
    }

    /** What else lies in the lamp's way: on the module, or in its other lead. */
    public double otherOhms() {
        double other = lit.seriesOhms() - (wire.seriesOhms() == null ? 0 : wire.seriesOhms());
        return other < WIRE_OHMS ? 0 : other;
    }

    /**
     * The resistor for a brightness, as rule L6 reckons it for full brightness, less what else lies in the way.
     *
     * @param share of the rated current, above 0; never more than the output carries
     * @return empty when what is there is enough without it
     */
    public Optional<SeriesResistor> wanted(double share, PreferredValues series) {
        double amperes = Math.min(ratedAmperes() * share, limitAmperes());
        double drop = SeriesResistor.dropAt(amperes, lit.lamp().data().forwardVolts(), ratedAmperes());
        double exact = (lit.openVolts() - drop) / amperes - otherOhms();
        if (exact <= 0) {
            return Optional.empty();
        }
        double ohms = series.nextUp(exact);
        double flows = amperesWith(ohms);
        return Optional.of(new SeriesResistor(exact, ohms, flows, flows * flows * ohms));
    }

    /** What flows with a resistor of another value in that wire, in amperes. */
    public double amperesWith(double ohms) {
        return SeriesResistor.lampCurrent(
                lit.openVolts(), lit.lamp().data().forwardVolts(), ratedAmperes(), ohms + otherOhms());
    }
}
