package izzet.app.bench;

import izzet.app.fault.WrongField;
import izzet.app.shell.PlanFrames;
import izzet.app.traffic.RecordStore;
import izzet.core.bench.CaptureDevice;
import izzet.core.bench.Desk;
import izzet.core.bench.DeskRun;
import izzet.core.bench.PinRecord;
import izzet.core.bench.TypedProgram;
import izzet.core.capture.TableOptions;
import izzet.core.circuit.Circuit;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The capture device of the bench listens while the program runs; its record goes where all records go. */
@Controller
class CaptureController {

    private static final double MOST_RATE = 50e6;
    private static final double NANOS = 1e9;
    private static final int MOST_PINS = 16;

    private final PlanFrames frames;
    private final RecordStore records;
    private final BenchDesks desks;

    CaptureController(PlanFrames frames, RecordStore records, BenchDesks desks) {
        this.frames = frames;
        this.records = records;
        this.desks = desks;
    }

    /**
     * Settings as the form sends them; blank ones are as they stand there at first.
     *
     * @param rate in million samples a second, {@code memory} in thousand samples, {@code noise} in millivolts, {@code jitter} in nanoseconds
     * @param edge {@code rises} or {@code falls}, of the pin {@code trigger}
     * @param keeps {@code levels} or {@code volts}
     */
    record Settings(
            List<String> pin,
            String rate,
            String memory,
            String trigger,
            String edge,
            String threshold,
            String noise,
            String jitter,
            String keeps) {

        List<String> pins(Set<String> known) {
            List<String> pins = pin == null
                    ? List.of()
                    : pin.stream().filter(known::contains).toList();
            if (pins.isEmpty() || pins.size() > MOST_PINS) {
                throw new IllegalArgumentException("Clip the capture device to 1 to 16 of the pins in use.");
            }
            return pins;
        }

        CaptureDevice device(Set<String> known) {
            double hertz = number("rate", rate, 4) * 1e6;
            if (!(hertz > 0 && hertz <= MOST_RATE)) {
                throw new IllegalArgumentException("The rate lies above 0 and up to 50 million samples a second.");
            }
            String pin = trigger == null || trigger.isBlank() ? null : trigger;
            if (pin != null && !known.contains(pin)) {
                throw new IllegalArgumentException("The trigger waits for a pin in use, and '" + pin + "' is none.");
            }
            boolean volts = "volts".equals(keeps);
            return new CaptureDevice(
                    Math.max(1, Math.round(NANOS / hertz)),
                    (int) Math.min(Integer.MAX_VALUE, number("memory", memory, volts ? 200 : 1000) * 1000),
                    pin,
                    !"falls".equals(edge),
                    number("threshold", threshold, 1.5),
                    number("noise", noise, 0) / 1000,
                    number("jitter", jitter, 0),
                    volts);
        }

        private static double number(String field, String text, double blank) {
            if (text == null || text.isBlank()) {
                return blank;
            }
            try {
                return Double.parseDouble(text.strip().replace(',', '.'));
            } catch (NumberFormatException e) {
                throw new WrongField(field, "'" + text.strip() + "' is no number; write one such as 1.5.");
            }
        }
    }

    @PostMapping("/plans/{id}/bench/record")
    String record(
            @PathVariable long id,
            Settings settings,
            BenchDesks.Asked told,
            @RequestParam MultiValueMap<String, String> all)
            throws IOException {
        BenchDesks.Asked asked = told.with(all);
        Circuit planned = frames.of(id, "bench").circuit();
        Set<String> known = BenchDesks.pins(planned);
        CaptureDevice device = settings.device(known);
        PinRecord record = new PinRecord(settings.pins(known), device);
        Desk desk = desks.desk(planned, asked);
        if (asked.program() == null || asked.program().isBlank()) {
            DeskRun.of(desk, record);
        } else {
            DeskRun.of(desk, record, TypedProgram.of(desk.programmed(), BenchDesks.bounded(asked.program())));
        }
        if (!record.triggered()) {
            throw new IllegalArgumentException(
                    "Pin " + device.trigger() + " never " + (device.rising() ? "rises" : "falls")
                            + " while the program runs: nothing was recorded. Wait for another pin, or for none.");
        }
        String name =
                (asked.task() == null ? "bench" : "bench, task " + asked.task()) + (device.analog() ? ".csv" : ".vcd");
        byte[] bytes = record.text().getBytes(StandardCharsets.US_ASCII);
        TableOptions options = device.analog()
                ? TableOptions.of(null, String.valueOf(device.thresholdVolts()), null, null, null)
                : TableOptions.NONE;
        return "redirect:/plans/" + id + "/traffic/"
                + records.upload(id, name, new ByteArrayInputStream(bytes), options, Set.of());
    }
}
