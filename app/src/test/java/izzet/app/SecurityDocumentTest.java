package izzet.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the document on security names as its proof is there. */
class SecurityDocumentTest {

    private static final Pattern NAMED = Pattern.compile("`(\\w+Test)(?:#(\\w+))?`");

    private static String source(String name) throws IOException {
        for (String root : new String[] {"src/test/java", "../core/src/test/java"}) {
            try (Stream<Path> files = Files.walk(Path.of(root))) {
                Path found = files.filter(f -> f.endsWith(name + ".java"))
                        .findFirst()
                        .orElse(null);
                if (found != null) {
                    return Files.readString(found);
                }
            }
        }
        return "";
    }

    @Test
    void everyTestThatIsNamedExists() throws IOException {
        Matcher named = NAMED.matcher(Files.readString(Path.of("../docs/security.md")));
        int count = 0;
        while (named.find()) {
            String source = source(named.group(1));
            assertThat(source).as(named.group(1)).isNotEmpty();
            if (named.group(2) != null) {
                assertThat(source).as(named.group()).contains(" " + named.group(2) + "(");
            }
            count++;
        }
        assertThat(count).isGreaterThan(40);
    }
}
