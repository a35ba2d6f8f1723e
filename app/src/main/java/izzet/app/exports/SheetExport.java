package izzet.app.exports;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import izzet.app.shell.Look;
import izzet.core.wiring.MeterCheck;
import izzet.core.wiring.WiringList;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The sheet for the bench on A4: the header with its wires, the steps, what to measure. */
@Component
class SheetExport implements PlanExport {

    /** Comes with the library that writes the file; has the Greek and the arrows that Helvetica lacks. */
    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private final ITemplateEngine templates;
    private final Look look;

    SheetExport(ITemplateEngine templates, Look look) {
        this.templates = templates;
        this.look = look;
    }

    @Override
    public String kind() {
        return "sheet.pdf";
    }

    @Override
    public String title() {
        return "Sheet for the bench, A4";
    }

    @Override
    public String type() {
        return "application/pdf";
    }

    @Override
    public byte[] make(ExportSource source) {
        HeaderMap map = HeaderMap.of(source.circuit());
        Map<MeterCheck.When, List<MeterCheck>> checks = new LinkedHashMap<>();
        MeterCheck.of(source.circuit()).stream()
                .filter(c -> c.when() != MeterCheck.When.WIRES)
                .forEach(c ->
                        checks.computeIfAbsent(c.when(), w -> new ArrayList<>()).add(c));
        Map<String, Object> model = new LinkedHashMap<>();
        model.put("name", source.name());
        model.put("size", look.size());
        model.put("board", source.circuit().board().name());
        model.put("left", map.edge("left"));
        model.put("right", map.edge("right"));
        model.put("groups", WiringList.of(source.circuit(), source.maker().colours()));
        model.put("checks", checks);
        String html = templates.process("exports/sheet", new Context(null, model));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.useFastMode();
            builder.useFont(() -> PdfRendererBuilder.class.getResourceAsStream(FONT), "Sheet");
            builder.withHtmlContent(html, null);
            builder.toStream(out);
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
