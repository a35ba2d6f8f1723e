package izzet.app.exports;

import izzet.app.drawing.AlonePicture;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The board's header with what hangs on it, as a picture. */
@Component
class HeaderExport implements PlanExport {

    private final AlonePicture alone;

    HeaderExport(AlonePicture alone) {
        this.alone = alone;
    }

    @Override
    public String kind() {
        return "header.svg";
    }

    @Override
    public String title() {
        return "The board's header with its wires, as a picture";
    }

    @Override
    public String type() {
        return "image/svg+xml";
    }

    @Override
    public byte[] make(ExportSource source) {
        HeaderMap map = HeaderMap.of(source.circuit());
        return alone.of(
                        "exports/header",
                        "map",
                        Map.of("map", map, "label", source.circuit().board().name()),
                        map.width(),
                        map.height())
                .getBytes(StandardCharsets.UTF_8);
    }
}
