package izzet.core.check.rules.levels;

import izzet.core.calc.PreferredValues;
import izzet.core.calc.SeriesResistor;
import izzet.core.catalog.PartLine;
import izzet.core.check.Findings;
import izzet.core.check.Place;
import izzet.core.check.Rule;
import izzet.core.check.Severity;
import izzet.core.check.Trouble;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.LampCurrents;
import izzet.core.quantity.Quantity;

/**
 * L6: a lamp or bare backlight without a series resistor, or with one that lets too much through; in whichever lead it stands, and lit by
 * a high or by a low. Passes: a red lamp behind 220 Ω at 5 V. Fails: the same lamp straight on a pin.
 */
public final class LampResistorRule implements Rule {

    private static final String SERIES = "Preferred values: IEC 60063, E12";

    /** Below it a lamp counts as dark. */
    private static final double DARK_AMPERES = 50e-6;

    /** Two ends nearer than this are at one level. */
    private static final double LEVEL_VOLTS = 0.05;

    /** Less is a wire. */
    private static final double NO_RESISTOR_OHMS = 1;

    @Override
    public String id() {
        return "L6";
    }

    @Override
    public String subject() {
        return "every lamp behind a resistor";
    }

    @Override
    public Trouble trouble() {
        return Trouble.LAMP_CURRENT;
    }

    @Override
    public void check(Circuit circuit, Findings findings) {
        for (LampCurrents.Lit lit : circuit.lamps()) {
            PartLine.Lamp lamp = lit.lamp().data();
            if (!lit.bothEnds()) {
                findings.cannotTell(
                        this,
                        Place.of(lit.line()),
                        "where the other end of " + lit.line().label() + " goes");
                continue;
            }
            double limit = limit(lit);
            boolean none = lit.seriesOhms() < NO_RESISTOR_OHMS;
            findings.compared(
                    this,
                    none ? null : Quantity.amperes(limit - lit.amperes()),
                    lit.line().label());
            if (lit.openVolts() < lamp.forwardVolts() && lit.amperes() < lamp.typicalMilliamps() / 1000 / 20) {
                if (lit.openVolts() > 0.01 || lit.amperes() < DARK_AMPERES) {
                    tooLow(findings, lit);
                }
            } else if (none) {
                report(circuit, findings, lit, limit, true);
            } else if (lit.amperes() > limit * 1.005) {
                report(circuit, findings, lit, limit, false);
            }
        }
    }

    /** In amperes: of the lamp, and of the pins and outputs that it hangs on. */
    private static double limit(LampCurrents.Lit lit) {
        double lamp = lit.lamp().data().maxMilliamps();
        return (lit.outputMilliamps() == null ? lamp : Math.min(lamp, lit.outputMilliamps())) / 1000;
    }

    /** The resistor this lamp wants here: rated current, but no more than the pin gives. */
    public static SeriesResistor wanted(LampCurrents.Lit lit) {
        PartLine.Lamp lamp = lit.lamp().data();
        double milliamps = lit.outputMilliamps() == null
                ? lamp.typicalMilliamps()
                : Math.min(lamp.typicalMilliamps(), lit.outputMilliamps());
        return SeriesResistor.forLamp(
                lit.openVolts(),
                lamp.forwardVolts(),
                lamp.typicalMilliamps() / 1000,
                milliamps / 1000,
                PreferredValues.E12);
    }

    private void report(Circuit circuit, Findings findings, LampCurrents.Lit lit, double limit, boolean none) {
        PartLine.Lamp lamp = lit.lamp().data();
        if (lit.openVolts() <= lamp.forwardVolts()) {
            // So near to its own drop that no resistor can be told; nothing limits what little flows.
            return;
        }
        SeriesResistor wanted = wanted(lit);
        Findings.Draft draft = none
                ? findings.of(
                        this,
                        Severity.STOP,
                        "{line} has no series resistor: nothing limits its current. It wants {wanted}.")
                : findings.of(
                                this,
                                Severity.STOP,
                                "{line} draws {flows} through {fitted}, above its limit of {limit}. It wants {wanted}.")
                        .word("flows", Quantity.amperes(lit.amperes()))
                        .word("fitted", Quantity.ohms(Math.round(lit.seriesOhms() * 10) / 10.0))
                        .word("limit", Quantity.amperes(limit));
        boolean pin = lit.outputMilliamps() != null && lit.outputMilliamps() < lamp.maxMilliamps();
        if (!none) {
            draft.compared(
                    pin ? "current, limit of the output" : "current, limit of the lamp",
                    Quantity.amperes(lit.amperes()),
                    Quantity.amperes(limit),
                    true,
                    pin
                            ? circuit.board().source(circuit.board().current().source())
                            : lit.line().unit().part().source(lamp.source()));
        }
        draft.at(Place.of(lit.line()))
                .word("line", lit.line().label())
                .word("wanted", Quantity.ohms(wanted.ohms()))
                .figure("drive", Quantity.volts(lit.openVolts()))
                .figure(
                        "lamp's own drop",
                        Quantity.volts(lamp.forwardVolts()),
                        lit.line().unit().part().source(lamp.source()))
                .figure("exact value", Quantity.ohms(wanted.exactOhms()))
                .figure("preferred value", Quantity.ohms(wanted.ohms()), SERIES)
                .figure("current with it", Quantity.amperes(wanted.amperes()))
                .figure("heat in it", Quantity.watts(wanted.watts()))
                .formula(SeriesResistor.FORMULA)
                .source(SERIES)
                .remedy("Put a resistor of " + Quantity.ohms(wanted.ohms()) + " in series.")
                .add();
    }

    private void tooLow(Findings findings, LampCurrents.Lit lit) {
        double drop = lit.lamp().data().forwardVolts();
        String wording = "{line} stays dark or nearly so: it drops {drop}, and only {drive} drive it.";
        String remedy = "Drive it from a higher rail, through a transistor if a pin shall switch it.";
        if (Math.abs(lit.openVolts()) < LEVEL_VOLTS) {
            wording = "{line} stays dark: both its ends lie at one level.";
            remedy = "Bring one end to the other rail, or to a pin.";
        } else if (lit.openVolts() < 0) {
            wording = "{line} stays dark: it lies the wrong way round, with {drive} across it.";
            remedy = "Exchange its two ends.";
        }
        findings.of(this, Severity.FIX, wording)
                .aspect("dark")
                .at(Place.of(lit.line()))
                .word("line", lit.line().label())
                .word("drop", Quantity.volts(drop))
                .word("drive", Quantity.volts(lit.openVolts()))
                .compared("drive", Quantity.volts(lit.openVolts()), Quantity.volts(drop), false, null)
                .formula(SeriesResistor.FORMULA)
                .remedy(remedy)
                .add();
    }
}
