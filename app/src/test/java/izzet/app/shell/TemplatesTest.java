package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

class TemplatesTest {

    private static final Pattern BLOCK_IN_PARAGRAPH = Pattern.compile(
            "<p(?:\\s[^>]*)?>(?:(?!</p>).)*?<(?:form|div|ul|ol|dl|table|section|fieldset|details|nav|pre|h\\d|p)[\\s>]",
            Pattern.DOTALL);

    /** Browsers end the paragraph there, and what follows stands outside of what it belongs to. */
    @Test
    void noParagraphHoldsAFormOrAList() throws IOException {
        Resource[] templates =
                new PathMatchingResourcePatternResolver().getResources("classpath*:/templates/**/*.html");
        assertThat(templates).hasSizeGreaterThan(40);
        List<String> broken = new ArrayList<>();
        for (Resource template : templates) {
            Matcher found = BLOCK_IN_PARAGRAPH.matcher(template.getContentAsString(StandardCharsets.UTF_8));
            if (found.find()) {
                broken.add(template.getFilename() + ": " + found.group());
            }
        }
        assertThat(broken).isEmpty();
    }
}
