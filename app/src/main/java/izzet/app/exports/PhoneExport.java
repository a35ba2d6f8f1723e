package izzet.app.exports;

import izzet.app.preference.Preferences;
import izzet.app.shell.Look;
import izzet.app.wiring.WiringWords;
import izzet.core.wiring.MeterCheck;
import izzet.core.wiring.WiringList;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** The steps as one page that needs no network; it keeps its ticks where it is opened. */
@Component
class PhoneExport implements PlanExport {

    private final ITemplateEngine templates;
    private final Preferences preferences;
    private final Look look;

    PhoneExport(ITemplateEngine templates, Preferences preferences, Look look) {
        this.templates = templates;
        this.preferences = preferences;
        this.look = look;
    }

    @Override
    public String kind() {
        return "phone.html";
    }

    @Override
    public String title() {
        return "Steps for a phone without a network";
    }

    @Override
    public String type() {
        return "text/html;charset=UTF-8";
    }

    @Override
    public byte[] make(ExportSource source) {
        return templates
                .process(
                        "exports/phone",
                        new Context(
                                null,
                                Map.of(
                                        "size", look.chosenSize(),
                                        "words", new WiringWords(),
                                        "name", source.name(),
                                        "plan", source.stored().id(),
                                        "board", source.circuit().board().name(),
                                        "first", preferences.first(),
                                        "groups",
                                                WiringList.of(
                                                        source.circuit(),
                                                        source.maker().colours()),
                                        "checks", MeterCheck.of(source.circuit()),
                                        "style", resource("exports/phone.css"),
                                        "script", resource("exports/phone.js"))))
                .getBytes(StandardCharsets.UTF_8);
    }

    private static String resource(String name) {
        try (var in = new ClassPathResource(name).getInputStream()) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
