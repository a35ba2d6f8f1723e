package izzet.core.capture;

import java.util.List;
import java.util.Locale;

/** One column of a table: how its fields become levels of one line or of several packed into a number. Not thread-safe. */
final class TableColumn {

    private static final double LEAST_SWING = 0.5;
    private static final double USUAL_HYSTERESIS = 0.1;
    private static final int FEW = 2;
    private static final int BYTE = 8;
    private static final int SHORT = 16;
    private static final int WORD = 32;

    private enum Kind {
        LEVELS,
        VOLTS,
        PACKED
    }

    private final String name;
    private final int index;
    private final Kind kind;
    private final int bits;
    private final double low;
    private final double high;
    private int level = ChangeSink.Levels.UNKNOWN;

    private TableColumn(String name, int index, Kind kind, int bits, double low, double high) {
        this.name = name;
        this.index = index;
        this.kind = kind;
        this.bits = bits;
        this.low = low;
        this.high = high;
    }

    /**
     * @param fields of its first rows
     * @param lines of the file where those stand
     */
    static TableColumn of(String name, int index, List<String> fields, List<Long> lines, TableOptions options) {
        boolean numbers = true;
        boolean whole = true;
        boolean hexadecimal = false;
        boolean levels = true;
        double least = Double.MAX_VALUE;
        double most = -Double.MAX_VALUE;
        java.util.Set<Double> distinct = new java.util.HashSet<>();
        int odd = -1;
        for (int i = 0; i < fields.size(); i++) {
            String field = fields.get(i);
            if (levelOf(field) >= 0) {
                Double plain = number(field);
                if (plain != null) {
                    least = Math.min(least, plain);
                    most = Math.max(most, plain);
                    distinct.add(plain);
                }
                continue;
            }
            levels = false;
            odd = odd < 0 ? i : odd;
            Double value = number(field);
            if (value == null) {
                numbers = false;
                continue;
            }
            hexadecimal |= field.strip().toLowerCase(Locale.ROOT).startsWith("0x");
            whole &= value == Math.rint(value) && value >= 0 && field.indexOf('.') < 0 && field.indexOf(',') < 0;
            least = Math.min(least, value);
            most = Math.max(most, value);
            distinct.add(value);
        }
        if (levels || !numbers) {
            return new TableColumn(name, index, Kind.LEVELS, 1, 0, 0);
        }
        if (hexadecimal || whole && distinct.size() > FEW && options.thresholdOf(name) == null) {
            int bits = most < 1L << BYTE ? BYTE : most < 1L << SHORT ? SHORT : WORD;
            return new TableColumn(name, index, Kind.PACKED, bits, 0, 0);
        }
        if (options.thresholdOf(name) == null && most - least < LEAST_SWING) {
            throw new RecordFault(
                    lines.get(odd),
                    "found '" + CsvReader.shown(fields.get(odd)) + "' in column '" + name
                            + "', which looks like volts and does not swing in the first rows; give the threshold between low and high.");
        }
        double middle = options.thresholdOf(name) != null ? options.thresholdOf(name) : (least + most) / 2;
        double swing = options.hysteresisOf(name) != null
                ? options.hysteresisOf(name)
                : USUAL_HYSTERESIS * Math.max(0, most - least);
        return new TableColumn(name, index, Kind.VOLTS, 1, middle - swing / 2, middle + swing / 2);
    }

    /** How it is read, for people. */
    String inWords() {
        return switch (kind) {
            case LEVELS -> "0 and 1";
            case VOLTS -> String.format(Locale.ROOT, "volts: low under %.2f V, high over %.2f V", low, high);
            case PACKED -> "a number of " + bits + " bits: a line each";
        };
    }

    boolean volts() {
        return kind == Kind.VOLTS;
    }

    /** Its lines, the highest bit first where there are several. */
    void signals(List<Signal> signals) {
        if (kind != Kind.PACKED) {
            signals.add(new Signal(name, name, -1, index, 0));
            return;
        }
        for (int bit = bits - 1; bit >= 0; bit--) {
            signals.add(new Signal(name, name, bit, index, bit));
        }
    }

    /** Level of one of its lines. */
    int level(Signal signal, String field, long line) {
        return switch (kind) {
            case LEVELS -> {
                int found = levelOf(field);
                if (found < 0) {
                    throw new RecordFault(
                            line,
                            "found '" + CsvReader.shown(field) + "' in column '" + name
                                    + "' where 0, 1 or x was expected; save the line as digital, or all of it as volts.");
                }
                yield found;
            }
            case VOLTS -> volts(field, line);
            case PACKED -> {
                Double value = number(field);
                if (value == null || value != Math.rint(value) || value < 0 || value >= 1L << bits) {
                    throw new RecordFault(
                            line,
                            "found '" + CsvReader.shown(field) + "' in column '" + name + "' where a number of " + bits
                                    + " bits was expected, as in the first rows.");
                }
                yield (int) (value.longValue() >> signal.offset() & 1);
            }
        };
    }

    private int volts(String field, long line) {
        Double value = number(field);
        if (value == null && !field.isBlank()) {
            throw new RecordFault(
                    line,
                    "found '" + CsvReader.shown(field) + "' in column '" + name
                            + "' where volts such as 3.27 were expected.");
        }
        if (value == null) {
            return ChangeSink.Levels.UNKNOWN;
        }
        if (level == ChangeSink.Levels.UNKNOWN) {
            level = value > (low + high) / 2 ? 1 : 0;
        } else if (value > high) {
            level = 1;
        } else if (value < low) {
            level = 0;
        }
        return level;
    }

    /** 0, 1, unknown, or -1 where it is no level. */
    static int levelOf(String field) {
        return switch (field.strip().toLowerCase(Locale.ROOT)) {
            case "0", "l", "low", "false" -> 0;
            case "1", "h", "high", "true" -> 1;
            case "x", "z", "" -> ChangeSink.Levels.UNKNOWN;
            default -> -1;
        };
    }

    /** Null where it is none; a comma may stand for the point. */
    static Double number(String field) {
        String text = field.strip().replace(',', '.');
        try {
            if (text.length() > 2 && text.charAt(0) == '0' && (text.charAt(1) | 0x20) == 'x') {
                return (double) Long.parseLong(text.substring(2), 16);
            }
            boolean plain = !text.isEmpty() && text.length() < 40 && Character.isDigit(text.charAt(text.length() - 1))
                    || text.endsWith(".");
            double value = plain ? Double.parseDouble(text) : Double.NaN;
            return Double.isFinite(value) ? (Double) value : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }
}
