package izzet.app.plan;

import izzet.app.fault.WrongField;
import izzet.app.store.MeasurementRow;
import izzet.app.store.MeasurementRows;
import izzet.core.quantity.Quantity;
import izzet.core.wiring.MeterCheck;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;

/** What a maker measured at the checks of a plan. */
@Service
public class MeasurementStore {

    /** What meters show for an open circuit. */
    private static final Set<String> OPEN = Set.of("ol", "o.l", "o.l.", "0l", "0.l", "open", "infinite", "inf", "1 .");

    /** Kept for an open circuit: no meter reads as far, and databases differ over infinity. */
    private static final double OPEN_VALUE = 1e15;

    private static final int MOST_TEXT = 40;

    private final MeasurementRows rows;
    private final Clock clock;

    MeasurementStore(MeasurementRows rows) {
        this.rows = rows;
        this.clock = Clock.systemUTC();
    }

    public Map<String, MeasurementRow> of(long planId) {
        Map<String, MeasurementRow> byKey = new LinkedHashMap<>();
        rows.of(planId).forEach(r -> byKey.put(r.checkKey(), r));
        return byKey;
    }

    /**
     * Keeps a value, or forgets it where the text is empty.
     *
     * @throws WrongField when the text is no value of the check's unit
     */
    public void keep(long planId, MeterCheck check, String text) {
        String told = text.strip();
        MeasurementRow.Key key = new MeasurementRow.Key(planId, check.key());
        if (told.isEmpty()) {
            rows.deleteById(key);
            return;
        }
        if (told.length() > MOST_TEXT) {
            throw new WrongField("told", "A measured value has " + MOST_TEXT + " characters at most.");
        }
        double value = OPEN.contains(told.toLowerCase(Locale.ROOT))
                ? OPEN_VALUE
                : Quantity.parse(told, check.unit())
                        .map(Quantity::value)
                        .filter(v -> Math.abs(v) < OPEN_VALUE)
                        .orElseThrow(
                                () -> new WrongField(
                                        "told",
                                        "'" + told
                                                + "' is no measured value; write it as 4.9 V, 2k2 or, for an open circuit, OL."));
        rows.save(new MeasurementRow(key, told, value, clock.instant()));
    }
}
