package izzet.app.exports;

import izzet.core.export.Export;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** One of the core's. */
record CoreExport(Export export) implements PlanExport {

    @Override
    public String kind() {
        return export.kind();
    }

    @Override
    public String title() {
        return export.title();
    }

    @Override
    public String type() {
        return export.type() + ";charset=UTF-8";
    }

    @Override
    public Optional<String> missing(ExportSource source) {
        return export.missing(source.circuit());
    }

    @Override
    public byte[] make(ExportSource source) {
        return export.text(source.circuit(), source.maker()).getBytes(StandardCharsets.UTF_8);
    }
}
