package izzet.core.draw;

import izzet.core.discovery.Discovery;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Commands of a family with the switches and numbers that they are made of, from {@code /display/commands}.
 *
 * @param title the family as makers call it
 * @param source published origin
 */
public record CommandTable(String family, String title, List<Command> commands, String source) {

    /**
     * @param base first byte with nothing set
     * @param fixed bits of the bytes behind it that are always set
     * @param fields in the order of the file
     */
    public record Command(String name, int base, List<Integer> fixed, List<Field> fields) {}

    /**
     * @param at byte in which it lies, 0 for the command itself
     * @param low lowest bit of it
     * @param bits how many it has; 1 for a switch, up to 16 for a number over two bytes
     * @param usual value
     * @param lowerFirst whether the lower one of two bytes comes first
     */
    public record Field(String name, int at, int low, int bits, int usual, boolean lowerFirst) {
        public int most() {
            return (1 << bits) - 1;
        }
    }

    private static final Map<String, CommandTable> ALL = read();

    private static Map<String, CommandTable> read() {
        Map<String, CommandTable> all = new TreeMap<>();
        Discovery.texts("/display/commands", ".json").values().forEach(text -> {
            JsonNode json = JsonMapper.shared().readTree(text);
            List<Command> commands = new ArrayList<>();
            for (JsonNode c : json.get("commands")) {
                List<Field> fields = new ArrayList<>();
                for (JsonNode f : c.path("fields")) {
                    fields.add(new Field(
                            f.get("name").asString(),
                            f.path("at").asInt(0),
                            f.path("low").asInt(0),
                            f.path("bits").asInt(1),
                            f.path("usual").asInt(0),
                            f.path("lowerFirst").asBoolean(false)));
                }
                commands.add(new Command(
                        c.get("name").asString(),
                        Integer.decode(c.get("base").asString()),
                        c.has("fixed") ? ByteText.read(c.get("fixed").asString()) : List.of(),
                        fields));
            }
            String source = json.get("source").asString();
            json.get("families").properties().forEach(family -> {
                String title = family.getValue().asString();
                all.put(family.getKey(), new CommandTable(family.getKey(), title, commands, source));
            });
        });
        return all;
    }

    public static Map<String, CommandTable> all() {
        return ALL;
    }

    /**
     * Makes the bytes of a command from its fields, given by name.
     *
     * @throws IllegalArgumentException when the family or the command is not known, or a number does not fit
     */
    public static void compose(Asked asked, String family, ObjectNode answer) {
        CommandTable table = ALL.get(family);
        if (table == null) {
            throw new IllegalArgumentException(
                    "Commands are composed for " + String.join(", ", ALL.keySet()) + ", not for '" + family + "'.");
        }
        String name = asked.text("compose", "");
        Command command = table.commands().stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("compose is one of "
                        + String.join(
                                ", ",
                                table.commands().stream().map(Command::name).toList()) + ", not '" + name + "'."));
        Asked fields = asked.has("fields") ? new Asked(asked.json().path("fields")) : asked;
        int behind = command.fields().stream()
                .mapToInt(f -> f.at() + (f.bits() > 8 ? 1 : 0))
                .max()
                .orElse(0);
        int[] bytes = new int[1 + Math.max(behind, command.fixed().size())];
        for (int i = 0; i < command.fixed().size(); i++) {
            bytes[1 + i] = command.fixed().get(i);
        }
        bytes[0] = command.base();
        // A form leaves out what is not ticked; one that was filled in for another command says nothing of this one.
        boolean given = asked.text("given", "").equals(name);
        boolean another = asked.has("given") && !given;
        ObjectNode set = answer.putObject("set");
        for (Field field : command.fields()) {
            int value = another
                    ? field.usual()
                    : field.bits() == 1
                            ? (fields.has(field.name()) ? fields.flag(field.name()) ? 1 : 0 : given ? 0 : field.usual())
                            : fields.number(field.name(), 0, field.most(), field.usual());
            set.put(field.name(), value);
            if (field.bits() > 8) {
                bytes[field.at() + (field.lowerFirst() ? 1 : 0)] |= value >> 8;
                bytes[field.at() + (field.lowerFirst() ? 0 : 1)] |= value & 0xFF;
            } else {
                bytes[field.at()] |= value << field.low();
            }
        }
        List<Integer> list = new ArrayList<>();
        ArrayNode out = answer.putArray("composed");
        for (int b : bytes) {
            list.add(b);
            out.add(b);
        }
        answer.put("composedHex", ByteText.hex(list));
        answer.put("source", table.source());
    }
}
