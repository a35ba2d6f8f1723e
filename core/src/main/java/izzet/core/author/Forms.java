package izzet.core.author;

import static izzet.core.author.Column.choice;
import static izzet.core.author.Column.of;
import static izzet.core.author.Column.yesNo;

import izzet.core.author.Column.Kind;
import izzet.core.author.Sheet.Shape;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Direction;
import izzet.core.catalog.ElementKind;
import izzet.core.catalog.OpenLine;
import izzet.core.catalog.PartKind;
import izzet.core.catalog.Rest;
import izzet.core.catalog.Role;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** The two forms: of a part and of a board. */
public final class Forms {

    private static final String SOURCE_HINT = "key of a source below";

    public static final ItemForm PART = part();
    public static final ItemForm BOARD = board();

    private Forms() {}

    private static ItemForm part() {
        Map<String, List<Column>> groups = new LinkedHashMap<>();
        groups.put(
                "What it is",
                List.of(
                        of("name", "Name", Kind.TEXT, "what it is, in words"),
                        of("shortName", "Short name", Kind.TEXT, "for sentences, such as: small panel"),
                        choice("kind", "Kind", texts(PartKind.values(), PartKind::text)),
                        of("summary", "Summary", Kind.TEXT, "one or two sentences"),
                        of("purchase", "To buy", Kind.TEXT, "one 4-way bus switch; empty for displays")));
        groups.put(
                "Supply",
                List.of(
                        of("supply/minVolts", "From, V", Kind.NUMBER, "3.0"),
                        of("supply/maxVolts", "To, V", Kind.NUMBER, "5.5"),
                        of("supply/typicalMilliamps", "Typically, mA", Kind.NUMBER, "20"),
                        of("supply/maxMilliamps", "At most, mA", Kind.NUMBER, "30"),
                        of("supply/carriesMilliamps", "Its outputs together, mA", Kind.NUMBER, "")
                                .rare(),
                        of("supply/source", "Source", Kind.TEXT, SOURCE_HINT),
                        of("logicVolts", "Own logic supply, V", Kind.NUMBER, "only where the module makes its own"),
                        yesNo("bareChip", "A bare chip")));
        groups.put(
                "2-wire bus",
                List.of(
                        of("i2c/baseAddress", "Address, every strap low", Kind.HEX, "0x3C"),
                        of("i2c/maxHz", "Clock at most, Hz", Kind.INTEGER, "400000"),
                        yesNo("i2c/stretchesClock", "Holds the clock"),
                        of("i2c/capacitancePicofarads", "Capacitance of a line, pF", Kind.NUMBER, "10"),
                        of("i2c/sinkMilliamps", "Data sinks, mA", Kind.NUMBER, "3"),
                        of("i2c/alsoAt", "Other chips on it at", Kind.INTEGERS, "87; mostly none")
                                .rare(),
                        of("i2c/speaks", "Command set", Kind.TEXT, "page-oled, expander-character, bus-switch")
                                .rare(),
                        yesNo("i2c/generalCall", "Obeys the general call"),
                        of("i2c/source", "Source", Kind.TEXT, SOURCE_HINT)));
        groups.put(
                "Serial bus",
                List.of(
                        of("spi/modes", "Modes", Kind.INTEGERS, "0 3"),
                        of("spi/maxWriteHz", "Clock at most, Hz", Kind.INTEGER, "10000000"),
                        of("spi/maxReadHz", "Reading at most, Hz", Kind.INTEGER, "")
                                .rare(),
                        of("spi/wordBits", "Bits of a word", Kind.INTEGER, "8").rare(),
                        yesNo("spi/alwaysSelected", "Has no select"),
                        yesNo("spi/releasesMiso", "Lets go of its data output"),
                        of("spi/source", "Source", Kind.TEXT, SOURCE_HINT)));
        groups.put(
                "Glass",
                List.of(
                        choice("glass/shows", "Shows", List.of("pixels", "characters")),
                        of("glass/columns", "Columns", Kind.INTEGER, "128"),
                        of("glass/rows", "Rows", Kind.INTEGER, "64"),
                        of("glass/colours", "Colours", Kind.TEXT, "white; 65 536 colours"),
                        of("glass/inches", "Diagonal, inch", Kind.NUMBER, "0.96"),
                        of("glass/bitsPerPixel", "Bits per pixel", Kind.INTEGER, "16"),
                        of("glass/memoryBytes", "Whole picture, bytes", Kind.INTEGER, "1024"),
                        yesNo("glass/ownMemory", "Keeps its picture itself"),
                        of("glass/family", "Family of commands", Kind.TEXT, "dcs")
                                .rare(),
                        of("glass/memoryColumns", "Controller's columns", Kind.INTEGER, "132")
                                .rare(),
                        of("glass/memoryRows", "Controller's rows", Kind.INTEGER, "162")
                                .rare(),
                        of("glass/offsetColumns", "First column", Kind.INTEGER, "2")
                                .rare(),
                        of("glass/offsetRows", "First row", Kind.INTEGER, "1").rare(),
                        choice("glass/order", "Order of colours", List.of("rgb", "bgr")),
                        of("glass/resetMillis", "Wait after reset, ms", Kind.INTEGER, "120")
                                .rare(),
                        of("glass/wakeMillis", "Wait after waking, ms", Kind.INTEGER, "120")
                                .rare(),
                        of("glass/refreshMillis", "Until it shows, ms", Kind.INTEGER, "2000")
                                .rare(),
                        of("glass/source", "Source", Kind.TEXT, SOURCE_HINT)));
        return new ItemForm(
                groups,
                List.of(
                        new Sheet("/interfaces", "Ways to connect it", "way", Shape.LIST, interfaceColumns()),
                        new Sheet("/lines", "Pins", "pin", Shape.LIST, lineColumns()),
                        levels("/levels"),
                        new Sheet(
                                "/elements",
                                "Resistors, lamps, contacts inside",
                                "element",
                                Shape.LIST,
                                List.of(
                                        choice(
                                                "kind",
                                                "Kind",
                                                Arrays.stream(ElementKind.values())
                                                        .map(ElementKind::text)
                                                        .toList()),
                                        of("a", "From (anode)", Kind.TEXT, "A"),
                                        of("b", "To (cathode)", Kind.TEXT, "K"),
                                        of("wiper", "Wiper", Kind.TEXT, "W"),
                                        of("ohms", "Ohms", Kind.NUMBER, "10000"),
                                        of("lamp/forwardVolts", "Lamp drop, V", Kind.NUMBER, ""),
                                        of("lamp/typicalMilliamps", "Lamp, mA", Kind.NUMBER, ""),
                                        of("lamp/maxMilliamps", "Lamp at most, mA", Kind.NUMBER, ""),
                                        of("lamp/source", "Lamp source", Kind.TEXT, SOURCE_HINT),
                                        of("source", "Source", Kind.TEXT, SOURCE_HINT))),
                        new Sheet(
                                "/straps",
                                "Straps and pads",
                                "setting",
                                Shape.NESTED,
                                List.of(
                                        of("^id", "Strap", Kind.TEXT, "address"),
                                        of("^name", "Strap, in words", Kind.TEXT, "address pad"),
                                        of("id", "Setting", Kind.TEXT, "low"),
                                        of("name", "Setting, in words", Kind.TEXT, "as delivered"),
                                        of("addsToAddress", "Adds to the address", Kind.INTEGER, "0"),
                                        yesNo("removesPullUps", "Pull-ups off"),
                                        of("interface", "Chooses the way", Kind.TEXT, "key of a way"))),
                        new Sheet(
                                "/pullUps",
                                "Fitted pull-ups",
                                "pull-up",
                                Shape.LIST,
                                List.of(
                                        of("lines", "Lines", Kind.WORDS, "SDA SCL"),
                                        of("ohms", "Ohms", Kind.NUMBER, "4700"),
                                        of("to", "To", Kind.TEXT, "logic, or a supply pin"),
                                        of("source", "Source", Kind.TEXT, SOURCE_HINT))),
                        new Sheet(
                                "/traps",
                                "What one trips over",
                                "trap",
                                Shape.LIST,
                                List.of(
                                        of("text", "Trap", Kind.TEXT, ""),
                                        of("source", "Source", Kind.TEXT, SOURCE_HINT))),
                        sources()));
    }

    private static List<Column> interfaceColumns() {
        return List.of(
                of("id", "Key", Kind.TEXT, "two-wire"),
                of("name", "Name", Kind.TEXT, "2-wire"),
                choice("bus", "Bus", List.of("i2c", "spi", "rgb")),
                of("wants", "Pins must be able to", Kind.PAIRS, "BL=pwm"),
                of("rests", "Tied here to", Kind.PAIRS, "B=supply").rare(),
                of("bits", "Data lines used at once", Kind.INTEGER, "8, parallel only")
                        .rare(),
                of("cycleNanos", "Write cycle, ns", Kind.INTEGER, "parallel only")
                        .rare(),
                of("note", "Note", Kind.TEXT, ""));
    }

    private static List<Column> lineColumns() {
        return List.of(
                of("header", "Place", Kind.INTEGER, "1"),
                of("id", "Printed", Kind.TEXT, "SDA"),
                choice("role", "Role", texts(Role.values(), Role::text)),
                choice("direction", "Direction", texts(Direction.values(), Direction::text)),
                yesNo("required", "Needed"),
                choice("open", "Left open", texts(OpenLine.values(), OpenLine::text)),
                choice("rest", "Tied to", texts(Rest.values(), Rest::text)),
                choice("active", "Active", List.of("low", "high")),
                of("interfaces", "Only in ways", Kind.WORDS, "empty for all"),
                of("note", "Note", Kind.TEXT, ""),
                of("does", "When active", Kind.TEXT, "the backlight is lit").rare(),
                of("levels", "Levels", Kind.TEXT, "logic").rare(),
                of("addressBit", "Adds to address", Kind.INTEGER, "1").rare(),
                of("silencedBy", "Silent while low", Kind.TEXT, "RW").rare(),
                of("minVolts", "From, V", Kind.NUMBER, "").rare(),
                of("maxVolts", "To, V", Kind.NUMBER, "").rare(),
                of("signal", "Pixel bus signal", Kind.TEXT, "d5").rare(),
                of("givesVolts", "Gives, V", Kind.NUMBER, "").rare(),
                of("givesMilliamps", "Gives, mA", Kind.NUMBER, "").rare(),
                yesNo("blocksBack", "Blocks backwards").rare(),
                of("emptyVolts", "Empty, V", Kind.NUMBER, "").rare(),
                of("fullVolts", "Fresh, V", Kind.NUMBER, "").rare(),
                of("milliampHours", "Holds, mAh", Kind.NUMBER, "").rare(),
                of("lamp/forwardVolts", "Lamp drop, V", Kind.NUMBER, "").rare(),
                of("lamp/typicalMilliamps", "Lamp, mA", Kind.NUMBER, "").rare(),
                of("lamp/maxMilliamps", "Lamp at most, mA", Kind.NUMBER, "").rare(),
                of("lamp/source", "Lamp source", Kind.TEXT, SOURCE_HINT).rare());
    }

    private static <T> List<String> texts(T[] values, Function<T, String> text) {
        return Arrays.stream(values).map(text).toList();
    }

    private static Sheet levels(String pointer) {
        return new Sheet(
                pointer,
                "Levels",
                "set of levels",
                Shape.MAP,
                List.of(
                        of("@key", "Key", Kind.TEXT, "logic"),
                        of("vih", "High read from", Kind.LEVEL, "0.7 supply"),
                        of("vil", "Low read up to", Kind.LEVEL, "0.3 supply"),
                        of("voh", "High driven at least", Kind.LEVEL, "supply - 0.4"),
                        of("vol", "Low driven at most", Kind.LEVEL, "0.4"),
                        of("absMax", "Survives", Kind.LEVEL, "supply + 0.3"),
                        of("milliamps", "Driven levels at, mA", Kind.NUMBER, "4"),
                        of("maxMilliamps", "An output at most, mA", Kind.NUMBER, "25"),
                        of("source", "Source", Kind.TEXT, SOURCE_HINT)));
    }

    private static Sheet sources() {
        return new Sheet(
                "/sources",
                "Sources",
                "source",
                Shape.MAP,
                List.of(
                        of("@key", "Key", Kind.TEXT, "own"),
                        of(
                                "@value",
                                "Where the values come from",
                                Kind.TEXT,
                                "data sheet and its page; measured; from memory")));
    }

    private static ItemForm board() {
        Map<String, List<Column>> groups = new LinkedHashMap<>();
        groups.put(
                "What it is",
                List.of(
                        of("name", "Name", Kind.TEXT, "what it is, in words"),
                        choice("kind", "Kind", List.of("microcontroller", "single-board computer", "retro computer")),
                        of("summary", "Summary", Kind.TEXT, "one or two sentences"),
                        of("logicVolts", "Logic supply, V", Kind.NUMBER, "3.3"),
                        yesNo("internalPullUps", "Has pull-ups of its own"),
                        of("internalPulls/upOhms", "They have, ohms", Kind.NUMBER, "50000"),
                        of("internalPulls/downOhms", "Pull-downs, ohms", Kind.NUMBER, "50000; empty where none"),
                        of("internalPulls/source", "Source", Kind.TEXT, SOURCE_HINT),
                        of("writeNanos", "A write to a port, ns", Kind.INTEGER, "625"),
                        of("ramBytes", "Memory for programs, bytes", Kind.INTEGER, "2048; empty where there is plenty"),
                        choice(
                                "pinAssignment",
                                "Controllers come to pins by",
                                List.of("fixed", "any-pin", "settings", "overlay", "none"))));
        groups.put(
                "What its numberings are called",
                List.of(
                        of("numbering/position", "Place", Kind.TEXT, "header pin"),
                        of("numbering/label", "Label", Kind.TEXT, "printed"),
                        of("numbering/chip", "Chip", Kind.TEXT, "chip GPIO")));
        groups.put(
                "Current",
                List.of(
                        of("current/perPinMilliamps", "A pin, mA", Kind.NUMBER, "8"),
                        of("current/totalMilliamps", "All pins, mA", Kind.NUMBER, "50"),
                        of("current/totalSourceMilliamps", "All pins sourcing, mA", Kind.NUMBER, "where it differs"),
                        of("current/source", "Source", Kind.TEXT, SOURCE_HINT)));
        return new ItemForm(
                groups,
                List.of(
                        new Sheet(
                                "/pins",
                                "Pins",
                                "pin",
                                Shape.LIST,
                                List.of(
                                        of("position", "Place", Kind.TEXT, "left 1"),
                                        of("label", "Printed", Kind.TEXT, "D4"),
                                        of("id", "Key", Kind.TEXT, "D4; as plans name it"),
                                        of("chip", "Chip", Kind.TEXT, "GPIO4"),
                                        of("group", "Strip", Kind.TEXT, "left"),
                                        of("rail", "Rail", Kind.TEXT, "only on supply pins"),
                                        choice("atReset", "At reset", List.of("pulled-up", "pulled-down")),
                                        of("pulls", "Own pulls", Kind.WORDS, "up down; none"),
                                        of(
                                                "functions",
                                                "Functions",
                                                Kind.WORDS,
                                                "digital-in digital-out pwm:timer1 analog-in i2c0.sda spi0.sck/a"),
                                        of("duties", "Duties", Kind.DUTIES, "boot low: starts the loader [own]"))),
                        new Sheet(
                                "/rails",
                                "Rails",
                                "rail",
                                Shape.LIST,
                                List.of(
                                        of("id", "Key", Kind.TEXT, "3V3"),
                                        of("label", "Label", Kind.TEXT, "3.3 V"),
                                        of("volts", "Volts", Kind.NUMBER, "3.3; 0 for ground"),
                                        choice("direction", "Direction", List.of("out", "in")),
                                        choice("fedBy", "Fed by", List.of("usb", "regulator", "outside")),
                                        of("minVolts", "Takes from, V", Kind.NUMBER, ""),
                                        of("maxVolts", "Takes to, V", Kind.NUMBER, ""),
                                        of("limitMilliamps", "At most, mA", Kind.NUMBER, ""),
                                        of("source", "Source", Kind.TEXT, SOURCE_HINT))),
                        new Sheet(
                                "/controllers",
                                "Controllers",
                                "controller",
                                Shape.LIST,
                                List.of(
                                        of("id", "Key", Kind.TEXT, "i2c0"),
                                        choice("kind", "Kind", texts(BusKind.values(), BusKind::text)),
                                        of("name", "Name", Kind.TEXT, "I2C 0"),
                                        of("maxHz", "Clock at most, Hz", Kind.INTEGER, "400000"),
                                        yesNo("waitsForClock", "Waits for a held clock"),
                                        yesNo("mixesPinSets", "May mix sets of pins"),
                                        yesNo("anyPin", "Reaches any pin"),
                                        of("usual", "Usual pins", Kind.PAIRS, "sda=GP4 scl=GP5"),
                                        of("modes", "Serial modes", Kind.INTEGERS, "0 1 2 3"),
                                        of("wordBits", "Longest word, bits", Kind.INTEGER, ""),
                                        of("divider/baseHz", "Divided from, Hz", Kind.INTEGER, ""),
                                        choice("divider/steps", "By", List.of("powers-of-two", "even", "whole")),
                                        of("divider/least", "By at least", Kind.INTEGER, ""),
                                        of("divider/most", "By at most", Kind.INTEGER, ""),
                                        of("divider/source", "Source of the divider", Kind.TEXT, SOURCE_HINT),
                                        of("needs", "Needs first", Kind.TEXT, ""),
                                        of("source", "Source", Kind.TEXT, SOURCE_HINT))),
                        levels("/levels"),
                        new Sheet(
                                "/current/groups",
                                "Pins with a limit in common",
                                "group",
                                Shape.LIST,
                                List.of(
                                        of("name", "Name", Kind.TEXT, "port B"),
                                        of("pins", "Pins", Kind.WORDS, "D8 D9 D10"),
                                        choice("way", "Way", List.of("sink", "source")),
                                        of("milliamps", "Together, mA", Kind.NUMBER, "100"))),
                        sources()));
    }
}
