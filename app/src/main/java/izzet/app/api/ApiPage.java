package izzet.app.api;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The OpenAPI document, a page made from it, and the published schemas. */
@Controller
class ApiPage {

    /** @param about first sentence of what it does */
    public record Operation(
            String method, String path, String summary, String about, List<String> parameters, List<String> answers) {}

    /** An object of the API. */
    public record Shape(String name, String about, List<String> keys) {}

    @GetMapping("/api")
    String page(Model model) throws IOException {
        JsonNode document = JsonMapper.shared().readTree(text("openapi.json"));
        List<Operation> operations = new ArrayList<>();
        document.get("paths").propertyStream().forEach(path -> path.getValue()
                .propertyStream()
                .forEach(op -> operations.add(operation(path.getKey(), op.getKey(), op.getValue()))));
        model.addAttribute("operations", operations);
        List<Shape> shapes = new ArrayList<>();
        document.get("components")
                .get("schemas")
                .propertyStream()
                .forEach(s -> shapes.add(shape(s.getKey(), s.getValue())));
        model.addAttribute("shapes", shapes);
        return "api/page";
    }

    private static Shape shape(String name, JsonNode schema) {
        List<String> keys = new ArrayList<>();
        schema.path("properties").propertyStream().forEach(p -> {
            String about = p.getValue().path("description").asString("");
            keys.add(p.getKey() + ": " + type(p.getValue()) + (about.isEmpty() ? "" : ", " + about));
        });
        return new Shape(name, schema.path("description").asString(""), keys);
    }

    /** "string", "array of Finding", or the values that are possible. */
    private static String type(JsonNode schema) {
        if (schema.has("$ref")) {
            String ref = schema.get("$ref").asString();
            return ref.substring(ref.lastIndexOf('/') + 1);
        }
        if (schema.has("enum")) {
            List<String> values = new ArrayList<>();
            schema.get("enum").forEach(v -> values.add(v.asString()));
            return String.join(" | ", values);
        }
        String type = schema.path("type").asString("object");
        return type.equals("array") ? "array of " + type(schema.get("items")) : type;
    }

    private static Operation operation(String path, String method, JsonNode op) {
        List<String> parameters = new ArrayList<>();
        op.path("parameters")
                .forEach(p -> parameters.add(p.get("name").asString() + " ("
                        + p.get("in").asString() + (p.path("required").asBoolean(false) ? ", required" : "") + "): "
                        + p.path("description").asString("")));
        List<String> answers = new ArrayList<>();
        op.get("responses")
                .propertyStream()
                .forEach(r -> answers.add(
                        r.getKey() + ": " + r.getValue().get("description").asString()));
        return new Operation(
                method.toUpperCase(java.util.Locale.ROOT),
                path,
                op.get("summary").asString(),
                op.path("description").asString(""),
                parameters,
                answers);
    }

    @GetMapping("/api/openapi.json")
    ResponseEntity<String> openapi() throws IOException {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(text("openapi.json"));
    }

    @GetMapping("/api/schema/{name:board|part|plan}")
    ResponseEntity<String> schema(@PathVariable String name) throws IOException {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .body(text("schema/" + name + ".schema.json"));
    }

    private static String text(String resource) throws IOException {
        try (InputStream in = new ClassPathResource(resource).getInputStream()) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
