package izzet.app.preference;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

class LibrariesTest {

    /** Licences stand as identifiers, as names, or as one expression. */
    @Test
    void everyWayToTellALicenceIsRead() {
        String list =
                """
                {"components":[{"group":"b","name":"two","version":"2","licenses":[{"license":{"id":"MIT"}},{"license":{"name":"Own words"}}]},
                {"group":"a","name":"one","version":"1","licenses":[{"expression":"EPL-2.0 OR LGPL-2.1"}]},{"group":"c","name":"three","version":"3"}]}
                """;
        assertThat(Libraries.read(new ByteArrayInputStream(list.getBytes(StandardCharsets.UTF_8))))
                .extracting(l -> l.name() + ": " + l.licence())
                .containsExactly("one: EPL-2.0 OR LGPL-2.1", "two: MIT, Own words", "three: ");
    }
}
