package izzet.app.preference;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What the program is made of, as the build wrote it down (CycloneDX). */
@Component
class Libraries {

    private static final String LIST = "/licences/bom.json";

    /** @param licence its names or identifiers; empty where the library does not say */
    public record Library(String group, String name, String version, String licence) {}

    /** By name; empty where the program was not packed. */
    List<Library> all() throws IOException {
        try (InputStream in = Libraries.class.getResourceAsStream(LIST)) {
            return in == null ? List.of() : read(in);
        }
    }

    static List<Library> read(InputStream in) {
        List<Library> found = new ArrayList<>();
        for (JsonNode c : JsonMapper.shared().readTree(in).path("components")) {
            if (c.path("group").asString("").equals("izzet")) {
                continue;
            }
            List<String> licences = new ArrayList<>();
            for (JsonNode l : c.path("licenses")) {
                JsonNode one = l.path("license");
                String told = l.path("expression")
                        .asString(one.path("id").asString(one.path("name").asString("")));
                if (!told.isEmpty()) {
                    licences.add(told);
                }
            }
            found.add(new Library(
                    c.path("group").asString(""),
                    c.path("name").asString(""),
                    c.path("version").asString(""),
                    String.join(", ", licences)));
        }
        found.sort(Comparator.comparing(Library::group).thenComparing(Library::name));
        return List.copyOf(found);
    }
}
