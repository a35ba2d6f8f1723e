package izzet.app.fuzz;

import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.lang.reflect.Parameter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.RequestBuilder;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Makes requests of bytes: an address of the application, what stands for its variables, and fields with their names. About half of the
 * values are such as a plan has, so that requests get past the first question.
 */
final class Requests {

    /** What a maker's fields hold, and what stands at edges. */
    private static final List<String> USUAL = List.of(
            "1",
            "0",
            "2",
            "north",
            "south",
            "i2c",
            "board:A5",
            "north:SCL",
            "south:SDA",
            "rail:5V",
            "rail:GND",
            "0x3C",
            "60",
            "finding:A1",
            "pin:A4",
            "line:north:SCL",
            "/plans/1/pins",
            "oled-128x64-page-2wire",
            "mcu-8bit-5v-14-6",
            "sbc-40-pin",
            "2-wire",
            "4k7",
            "100000",
            "E12",
            "on",
            "true",
            "all",
            "",
            " ",
            "-1",
            "1e9",
            "1e-400000000",
            "NaN",
            "2147483648",
            "9223372036854775808",
            "\u0000",
            "\ud800",
            "../../etc",
            "<script>",
            "%s%n",
            "a".repeat(300),
            "1,2,3",
            "page",
            "character",
            "parts",
            "led",
            "push-button");

    private static final Pattern VARIABLE = Pattern.compile("\\{\\*?([^:}]+)[^}]*}");

    /** Addresses that last for ever, or whose work is not of one request. */
    private static final Pattern NOT_HERE = Pattern.compile("/plans/\\{id}/news|/error");

    /** One address with the names of its fields. */
    private record Door(RequestMethod method, String pattern, List<String> fields, boolean files) {}

    private final List<Door> doors;
    private String last = "";
    private byte[] input;
    private int at;

    Requests(RequestMappingHandlerMapping mappings) {
        doors = mappings.getHandlerMethods().entrySet().stream()
                .flatMap(e -> e.getKey().getPathPatternsCondition().getPatternValues().stream()
                        .flatMap(p -> methods(e.getKey().getMethodsCondition().getMethods())
                                .map(m -> new Door(
                                        m,
                                        p,
                                        fields(e.getValue().getMethod().getParameters()),
                                        files(e.getValue().getMethod().getParameters())))))
                .filter(d -> !NOT_HERE.matcher(d.pattern()).matches())
                .sorted(Comparator.comparing(Door::pattern).thenComparing(Door::method))
                .toList();
    }

    private static Stream<RequestMethod> methods(java.util.Set<RequestMethod> all) {
        return all.isEmpty() ? Stream.of(RequestMethod.GET) : all.stream();
    }

    private static List<String> fields(Parameter[] parameters) {
        TreeSet<String> names = new TreeSet<>();
        for (Parameter p : parameters) {
            RequestParam told = p.getAnnotation(RequestParam.class);
            if (p.getType().isRecord()) {
                Arrays.stream(p.getType().getRecordComponents()).forEach(c -> names.add(c.getName()));
            } else if (told != null && !Map.class.isAssignableFrom(p.getType())) {
                names.add(told.name().isEmpty() ? told.value().isEmpty() ? p.getName() : told.value() : told.name());
            }
        }
        names.addAll(List.of("version", "here", "from", "to", "q", "show", "of"));
        return List.copyOf(names);
    }

    private static boolean files(Parameter[] parameters) {
        return Arrays.stream(parameters)
                .anyMatch(p -> MultipartFile.class.isAssignableFrom(p.getType())
                        || p.getParameterizedType().getTypeName().contains("MultipartFile")
                        || p.getParameterizedType().getTypeName().contains("Upload"));
    }

    int doors() {
        return doors.size();
    }

    /** What the last one asked for. */
    String last() {
        return last;
    }

    /** @param planId of a plan that is there */
    RequestBuilder of(byte[] bytes, long planId) {
        input = bytes;
        at = 0;
        Door door = doors.get((next() << 8 | next()) % doors.size());
        String path = path(door.pattern(), planId);
        last = door.method() + " " + path;
        List<String[]> fields = new ArrayList<>();
        int count = next() % 8;
        for (int i = 0; i < count; i++) {
            fields.add(new String[] {door.fields().get(next() % door.fields().size()), value()});
        }
        AbstractMockHttpServletRequestBuilder<?> made = door.files() && door.method() == RequestMethod.POST
                ? multipart(java.net.URI.create(path)).file(new MockMultipartFile("file", value(), null, rest()))
                : request(HttpMethod.valueOf(door.method().name()), java.net.URI.create(path));
        for (String[] field : fields) {
            made.param(field[0], field[1]);
        }
        made.accept(next() % 2 == 0 ? MediaType.TEXT_HTML : MediaType.APPLICATION_JSON);
        if (path.startsWith("/api/") && door.method() != RequestMethod.GET) {
            made.contentType(next() % 2 == 0 ? MediaType.APPLICATION_JSON : MediaType.APPLICATION_OCTET_STREAM)
                    .content(rest());
        }
        return made;
    }

    private int next() {
        return at < input.length ? input[at++] & 0xFF : 0;
    }

    private byte[] rest() {
        byte[] rest = Arrays.copyOfRange(input, Math.min(at, input.length), input.length);
        at = input.length;
        return rest;
    }

    private String value() {
        int kind = next();
        if (kind >= 0x60) {
            return USUAL.get(kind % USUAL.size());
        }
        int end = Math.min(input.length, at + kind % 32);
        String told = new String(input, at, end - at, StandardCharsets.UTF_8);
        at = end;
        return told;
    }

    private String path(String pattern, long planId) {
        Matcher variable = VARIABLE.matcher(pattern);
        StringBuilder path = new StringBuilder();
        while (variable.find()) {
            boolean plan = variable.group(1).equals("id") && pattern.contains("/plans/");
            String value = plan && next() % 16 > 0 ? String.valueOf(planId) : value();
            variable.appendReplacement(
                    path,
                    Matcher.quoteReplacement(
                            java.net.URLEncoder.encode(value.isEmpty() ? "x" : value, StandardCharsets.UTF_8)));
        }
        return variable.appendTail(path).toString();
    }
}
