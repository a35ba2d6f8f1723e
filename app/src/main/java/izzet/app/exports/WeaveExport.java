package izzet.app.exports;

import izzet.app.drawing.AlonePicture;
import izzet.app.pins.Weave;
import izzet.core.check.Checker;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The weave as a picture. */
@Component
class WeaveExport implements PlanExport {

    private final AlonePicture alone;
    private final Checker checker;

    WeaveExport(AlonePicture alone, Checker checker) {
        this.alone = alone;
        this.checker = checker;
    }

    @Override
    public String kind() {
        return "weave.svg";
    }

    @Override
    public String title() {
        return "The weave as a picture";
    }

    @Override
    public String type() {
        return "image/svg+xml";
    }

    @Override
    public Optional<String> missing(ExportSource source) {
        return source.circuit().units().isEmpty() ? Optional.of("the plan has no part to draw.") : Optional.empty();
    }

    @Override
    public byte[] make(ExportSource source) {
        Weave weave = Weave.of(source.circuit(), checker.check(source.circuit()), Weave.Show.picture(null));
        return alone.of(
                        "pins/weave",
                        "picture",
                        Map.of("weave", weave, "label", source.name()),
                        weave.width(),
                        weave.height())
                .getBytes(StandardCharsets.UTF_8);
    }
}
