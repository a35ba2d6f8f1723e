package izzet.app.drawing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.Context;

/** Pictures of pages that stand alone as files, with their styles in them. */
@Component
public class AlonePicture {

    private final ITemplateEngine templates;

    AlonePicture(ITemplateEngine templates) {
        this.templates = templates;
    }

    /** A fragment that is one picture, with its size told. */
    public String of(String template, String fragment, Map<String, Object> model, int width, int height) {
        String svg = templates.process(template, Set.of(fragment), new Context(null, model));
        int start = svg.indexOf("<svg");
        int open = svg.indexOf('>', start);
        String head = svg.substring(start + 4, open).replaceAll(" (width|height)=\"[^\"]*\"", "");
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + width + "\" height=\"" + height + "\"" + head
                + "><style>" + style() + "</style><rect width=\"100%\" height=\"100%\" fill=\"#fbf8f1\"/>"
                + svg.substring(open + 1);
    }

    private static String style() {
        try (var in = new ClassPathResource("static/css/picture.css").getInputStream()) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
