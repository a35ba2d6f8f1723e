package izzet.app.exports;

import izzet.app.drawing.AlonePicture;
import izzet.app.preference.Preferences;
import izzet.app.wiring.BreadboardPicture;
import izzet.core.wiring.Breadboard;
import izzet.core.wiring.WiringList;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The breadboard as a map. */
@Component
class BreadboardExport implements PlanExport {

    private final AlonePicture alone;
    private final Preferences preferences;

    BreadboardExport(AlonePicture alone, Preferences preferences) {
        this.alone = alone;
        this.preferences = preferences;
    }

    @Override
    public String kind() {
        return "breadboard.svg";
    }

    @Override
    public String title() {
        return "The breadboard as a map";
    }

    @Override
    public String type() {
        return "image/svg+xml";
    }

    @Override
    public Optional<String> missing(ExportSource source) {
        return laid(source).isEmpty()
                ? Optional.of("choose a breadboard at the end of the wiring list first.")
                : Optional.empty();
    }

    private Optional<Breadboard> laid(ExportSource source) {
        return preferences.breadboard(source.stored().id()).flatMap(c -> {
            try {
                return Optional.of(Breadboard.of(source.circuit(), c.rows(), c.starts()));
            } catch (IllegalArgumentException e) {
                // The plan has grown out of where its parts were put.
                return Optional.empty();
            }
        });
    }

    @Override
    public byte[] make(ExportSource source) {
        BreadboardPicture picture = BreadboardPicture.of(
                laid(source).orElseThrow(),
                WiringList.steps(source.circuit(), source.maker().colours()));
        return alone.of("wiring/board", "board", Map.of("b", picture), picture.width(), picture.height())
                .getBytes(StandardCharsets.UTF_8);
    }
}
