package izzet.app.help;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;

/** Pages of help, one file in Markdown each: its first line is the title, the number in its name the place among the others. */
@Component
public class HelpPages {

    /**
     * @param id as addresses name it: that of a station, or {@code words} for the glossary
     * @param html of its text
     */
    public record HelpPage(String id, String title, String html) {}

    private final List<HelpPage> all = new ArrayList<>();

    HelpPages() throws IOException {
        Resource[] files = new PathMatchingResourcePatternResolver().getResources("classpath*:help/*.md");
        Arrays.sort(files, Comparator.comparing(f -> String.valueOf(f.getFilename())));
        Parser parser = Parser.builder().build();
        HtmlRenderer renderer = HtmlRenderer.builder().escapeHtml(true).build();
        for (Resource file : files) {
            String text = file.getContentAsString(StandardCharsets.UTF_8);
            int end = text.indexOf('\n');
            String id = String.valueOf(file.getFilename())
                    .replaceFirst("^\\d+-", "")
                    .replaceFirst("\\.md$", "");
            String title = text.substring(0, end).replaceFirst("^#\\s*", "");
            all.add(new HelpPage(id, title, renderer.render(parser.parse(text.substring(end)))));
        }
    }

    public List<HelpPage> all() {
        return List.copyOf(all);
    }

    public Optional<HelpPage> of(String id) {
        return all.stream().filter(h -> h.id().equals(id)).findFirst();
    }
}
