package izzet.core.draw;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Outside;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The calls of every language are compiled or run, and send the codes of the text, whatever stands in it. */
class CallsTest {

    /** A mark that ends strings, one that begins escapes, a trigraph, a degree whose code is followed by a hexadecimal digit. */
    private static final String TEXT = "21°C \"x\\ ??/";

    private static final List<Integer> CODES = IntStream.of(
                    0xC0, '2', '1', 0xDF, 'C', ' ', '"', 'x', '?', ' ', '?', '?', '/')
            .boxed()
            .toList();

    @TempDir
    Path folder;

    private static String calls(String title) {
        ObjectNode asked =
                JsonMapper.shared().createObjectNode().put("columns", 16).put("rows", 2);
        asked.putArray("texts").addObject().put("text", TEXT).put("row", 1);
        return calls(title, asked);
    }

    private static String calls(String title, ObjectNode asked) {
        JsonNode answer = Tools.of("text").orElseThrow().answer(new Asked(asked));
        for (JsonNode calls : answer.get("calls")) {
            if (calls.get("title").asString().startsWith(title)) {
                return calls.get("text").asString();
            }
        }
        throw new AssertionError(title);
    }

    private List<Integer> run(String... command) throws Exception {
        String said = Outside.run(folder, command);
        return said.lines()
                .filter(l -> l.matches("\\d+"))
                .map(Integer::parseInt)
                .toList();
    }

    @Test
    void theSketchSendsTheCodes() throws Exception {
        Files.writeString(
                folder.resolve("calls.cpp"),
                """
                #include <cstdio>
                static void command(int v) { printf("%d\\n", v); }
                static void text(const char *s) { while (*s) printf("%d\\n", (unsigned char)*s++); }
                int main() {
                """
                        + calls("C++") + "}\n");
        run("g++", "-Wall", "-Werror", "-trigraphs", "-o", "calls", "calls.cpp");
        assertThat(run("./calls")).isEqualTo(CODES);
    }

    @Test
    void theBareChipsCallsCompile() throws Exception {
        Files.writeString(
                folder.resolve("calls.c"),
                """
                #include <avr/pgmspace.h>
                #include <stdint.h>
                void command(uint8_t v);
                void text_P(const char *s);
                int main(void) {
                """
                        + calls("C with") + "}\n");
        run("avr-gcc", "-mmcu=avr5", "-Wall", "-Werror", "-Wno-cpp", "-c", "-o", "calls.o", "calls.c");
    }

    @Test
    void bothPythonsSendTheCodes() throws Exception {
        for (String target : List.of("Python for a single", "Python for micro")) {
            Files.writeString(
                    folder.resolve("calls.py"),
                    """
                    import builtins, types
                    def command(v): print(v)
                    def text(b):
                        for v in b: print(v)
                    display = types.SimpleNamespace(command=command, text=text)
                    """
                            + calls(target));
            assertThat(run("python3", "calls.py")).as(target).isEqualTo(CODES);
        }
    }

    @Test
    void theAssemblerSendsTheCodes() throws Exception {
        String source = calls("Assembler");
        Files.writeString(folder.resolve("calls.s"), "command: rts\ndata: rts\n" + source);
        run("ca65", "-o", "calls.o", "calls.s");
        List<Integer> loaded = new ArrayList<>();
        source.lines()
                .filter(l -> l.contains("lda #$"))
                .forEach(l -> loaded.add(Integer.parseInt(l.replaceAll(".*#\\$(\\w+).*", "$1"), 16)));
        assertThat(loaded).isEqualTo(CODES);
    }

    @Test
    void textsAtPixelsAreToldWithPlaceAndSize() throws Exception {
        ObjectNode asked = JsonMapper.shared().createObjectNode().put("kind", "pixels");
        asked.put("columns", 320).put("rows", 240).put("size", 2);
        asked.putArray("texts").addObject().put("text", "Wick").put("anchor", "bottom right");
        assertThat(calls("C++", asked)).isEqualTo("textAt(272, 224, 2, \"Wick\");\n");
        Files.writeString(folder.resolve("calls.s"), "text_at: rts\n" + calls("Assembler", asked));
        run("ca65", "-o", "calls.o", "calls.s");
        String bytes = IntStream.of('W', 'i', 'c', 'k')
                .mapToObj(c -> String.format("$%02X", c))
                .collect(Collectors.joining(", "));
        assertThat(calls("Assembler", asked)).contains(".word 272, 224, 2").contains(".byte " + bytes + ", 0");
    }
}
