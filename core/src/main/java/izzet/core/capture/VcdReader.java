package izzet.core.capture;

import izzet.core.capture.ChangeSink.Levels;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Reads a value change dump (IEEE 1364-2005, clause 18) as a stream, in constant memory. Not thread-safe; one per record.
 *
 * <p>Lines of the usual form are taken by the {@link Stretch}, many at once; here is the careful reading of everything else, and what
 * to do when something is wrong.
 */
public final class VcdReader {

    /** Longest token accepted, in bytes: a vector of this many bits. */
    public static final int MAX_TOKEN = 65_536;

    /** Most lines a record may declare, counting each bit of a vector. */
    public static final int MAX_SIGNALS = 4_096;

    private static final int END = -1;
    private static final int NOT_DECLARED = -1;
    private static final int FIRST_PRINTABLE = 33;
    private static final int PRINTABLES = 94;
    private static final int TABLE_CHARS = 2;
    private static final Set<String> NOT_BITS = Set.of("real", "realtime", "string", "event");

    private final Stretches stretches;

    /** Where it is read; null before the first. */
    private Stretch stretch;

    private byte[] buffer = new byte[0];
    private int position;
    private int limit;
    private long line = 1;

    /** Line where the declaration began that is read now. */
    private long began = 1;

    private final Map<String, Integer> variables = new HashMap<>();
    private final List<Integer> widths = new ArrayList<>();
    private final List<Signal> signals = new ArrayList<>();
    private TimeScale timeScale = new TimeScale(1_000_000);

    /** Variable by identifier of one or two characters; {@link #NOT_DECLARED} where there is none. */
    private final int[] shortIds = new int[PRINTABLES + PRINTABLES * PRINTABLES];

    /** For each variable the wanted lines in it: index and offset in turn; null when none is wanted. */
    private int[][] wanted;

    /** For each one-bit variable the index of its wanted line; -1 when it is not wanted or a vector. */
    private int[] wantedBit;

    /** For each byte as an identifier both bits of its wanted lines, as {@link Moments} has them. */
    private long[] plain;

    private byte[] token = new byte[64];
    private int tokenLength;

    public VcdReader(InputStream in) {
        this(new Stretches(in));
    }

    VcdReader(Stretches stretches) {
        this.stretches = stretches;
        Arrays.fill(shortIds, NOT_DECLARED);
    }

    /**
     * Reads all of it.
     *
     * @throws RecordFault with the line, when the record is not what it should be
     * @throws IOException when the stream fails
     */
    public void read(ChangeSink sink) throws IOException {
        RecordHeader header = readHeader();
        want(sink.header(header));
        readBody(sink);
    }

    /** Reads the declarations only. */
    public RecordHeader readHeader() throws IOException {
        if (peek() == END) {
            throw new RecordFault(
                    0, "The record is empty. Send the file as it was saved, for instance with --data-binary.");
        }
        List<String> scopes = new ArrayList<>();
        while (true) {
            if (!nextToken()) {
                throw new RecordFault(
                        lastLine(),
                        "The record ends before $enddefinitions; it was cut off or is no value change dump.");
            }
            String word = tokenText();
            began = line;
            switch (word) {
                case "$scope" -> {
                    List<String> body = untilEnd(word);
                    if (body.size() < 2) {
                        throw new RecordFault(began, "$scope needs a kind and a name.");
                    }
                    scopes.add(plainName(body.get(1)));
                }
                case "$upscope" -> {
                    untilEnd(word);
                    if (scopes.isEmpty()) {
                        throw new RecordFault(began, "$upscope without a $scope before it.");
                    }
                    scopes.remove(scopes.size() - 1);
                }
                case "$var" -> declare(scopes, untilEnd(word));
                case "$timescale" -> timeScale = scale(String.join("", untilEnd(word)));
                case "$enddefinitions" -> {
                    untilEnd(word);
                    return new RecordHeader(timeScale, signals);
                }
                default -> {
                    if (!word.startsWith("$")) {
                        throw new RecordFault(
                                line,
                                "found '" + shown(word)
                                        + "' where a declaration such as $var was expected. Is this a value change dump?");
                    }
                    skipToEnd(word);
                }
            }
        }
    }

    private void declare(List<String> scopes, List<String> body) {
        if (body.size() < 4) {
            throw new RecordFault(began, "$var needs type, width, identifier and name.");
        }
        String id = body.get(2);
        if (NOT_BITS.contains(body.get(0))) {
            // Known, so that its values can be passed over; it has no levels.
            if (variables.putIfAbsent(id, widths.size()) == null) {
                if (id.length() <= TABLE_CHARS) {
                    shortIds[slotOf(id)] = widths.size();
                }
                widths.add(1);
            }
            return;
        }
        int width = number(body.get(1));
        if (width < 1 || width > MAX_SIGNALS || signals.size() + width > MAX_SIGNALS) {
            throw new RecordFault(began, "a record may declare " + MAX_SIGNALS + " lines at most; save fewer signals.");
        }
        Integer variable = variables.get(id);
        if (variable == null) {
            variable = widths.size();
            variables.put(id, variable);
            widths.add(width);
            if (id.length() <= TABLE_CHARS) {
                shortIds[slotOf(id)] = variable;
            }
        }
        String leaf = plainName(body.get(3));
        String rest = String.join("", body.subList(4, body.size()));
        int bracket = leaf.lastIndexOf('[');
        if (bracket > 0
                && leaf.endsWith("]")
                && rest.isEmpty()
                && leaf.substring(bracket + 1, leaf.length() - 1).matches("\\d+(:\\d+)?")) {
            rest = leaf.substring(bracket);
            leaf = leaf.substring(0, bracket);
        }
        String path = scopes.isEmpty() ? leaf : String.join(".", scopes) + "." + leaf;
        if (width == 1 && rest.isEmpty()) {
            signals.add(new Signal(path, leaf, -1, variable, 0));
            return;
        }
        int left = width - 1;
        int right = 0;
        if (!rest.isEmpty()) {
            if (!rest.matches("\\[-?\\d+(:-?\\d+)?]")) {
                throw new RecordFault(began, "found '" + shown(rest) + "' where a range such as [7:0] was expected.");
            }
            String[] ends = rest.substring(1, rest.length() - 1).split(":", -1);
            left = number(ends[0]);
            right = ends.length > 1 ? number(ends[1]) : left;
        }
        if (Math.abs(left - right) + 1 != width) {
            throw new RecordFault(began, "the range " + rest + " does not have " + width + " bits.");
        }
        int step = left >= right ? 1 : -1;
        for (int offset = width - 1; offset >= 0; offset--) {
            signals.add(new Signal(path, leaf, right + step * offset, variable, offset));
        }
    }

    private static String plainName(String name) {
        return name.startsWith("\\") ? name.substring(1) : name;
    }

    private int number(String text) {
        try {
            return Integer.parseInt(text);
        } catch (NumberFormatException e) {
            throw new RecordFault(began, "found '" + shown(text) + "' where a number was expected.");
        }
    }

    private TimeScale scale(String text) {
        int digits = 0;
        while (digits < text.length() && Character.isDigit(text.charAt(digits))) {
            digits++;
        }
        String number = text.substring(0, digits);
        long unit =
                switch (text.substring(digits)) {
                    case "s" -> 1_000_000_000_000_000L;
                    case "ms" -> 1_000_000_000_000L;
                    case "us" -> 1_000_000_000L;
                    case "ns" -> 1_000_000L;
                    case "ps" -> 1_000L;
                    case "fs" -> 1L;
                    default -> 0;
                };
        if (unit == 0 || !(number.equals("1") || number.equals("10") || number.equals("100"))) {
            throw new RecordFault(
                    began, "the time scale '" + shown(text) + "' is none of 1, 10 or 100 and s, ms, us, ns, ps or fs.");
        }
        return new TimeScale(Long.parseLong(number) * unit);
    }

    private void want(Signal[] lines) {
        wanted = new int[widths.size()][];
        wantedBit = new int[widths.size()];
        Arrays.fill(wantedBit, -1);
        for (int i = 0; i < lines.length; i++) {
            if (lines[i] == null) {
                continue;
            }
            int variable = lines[i].variable();
            int[] before = wanted[variable];
            int[] now = before == null ? new int[2] : Arrays.copyOf(before, before.length + 2);
            now[now.length - 2] = i;
            now[now.length - 1] = lines[i].offset();
            wanted[variable] = now;
            wantedBit[variable] = widths.get(variable) == 1 && now.length == 2 ? i : -1;
        }
        plain = masks(lines.length);
        stretches.lookAhead(plain);
    }

    private long[] masks(int lines) {
        long[] masks = new long[1 << Byte.SIZE];
        Arrays.fill(masks, Stretch.NOT_PLAIN);
        if (lines > Moments.MOST_LINES) {
            return masks;
        }
        for (int i = 0; i < PRINTABLES; i++) {
            int variable = shortIds[i];
            if (variable == NOT_DECLARED || widths.get(variable) > 1) {
                continue;
            }
            long mask = 0;
            int[] bits = wanted[variable];
            for (int bit = 0; bits != null && bit < bits.length; bit += 2) {
                mask |= 3L << (bits[bit] << 1);
            }
            masks[FIRST_PRINTABLE + i] = mask;
        }
        return masks;
    }

    private void readBody(ChangeSink sink) throws IOException {
        long now = 0;
        boolean stamped = false;
        while (true) {
            if (stamped) {
                now = plainLines(sink, now);
            }
            int c = skipBlanks();
            switch (c) {
                case END -> {
                    if (stamped) {
                        sink.moment(now);
                    }
                    sink.end(now);
                    return;
                }
                case '#' -> {
                    long next = time();
                    if (stamped && next < now) {
                        throw new RecordFault(line, "time goes back from #" + now + " to #" + next + ".");
                    }
                    if (stamped && next != now) {
                        sink.moment(now);
                    }
                    now = next;
                    stamped = true;
                }
                case '0', '1', 'x', 'X', 'z', 'Z' -> {
                    int variable = identifier(next());
                    int index = wantedBit[variable];
                    if (index >= 0) {
                        sink.change(index, c == '0' ? 0 : c == '1' ? 1 : Levels.UNKNOWN);
                    } else if (wanted[variable] != null) {
                        token[0] = (byte) c;
                        tokenLength = 1;
                        vector(variable, sink);
                    }
                }
                case 'b', 'B' -> {
                    nextToken();
                    vector(identifier(skipSpaces()), sink);
                }
                case 'r', 'R', 's', 'S' -> {
                    nextToken();
                    identifier(skipSpaces());
                }
                case '$' -> command();
                default ->
                    throw new RecordFault(
                            line,
                            "found " + glyph(c)
                                    + " where a time (#), a value (0 1 x z b) or a command ($) was expected.");
            }
        }
    }

    /**
     * Takes the usual lines as far as they go; the careful reading goes on from the same place.
     *
     * @return the time reached
     */
    private long plainLines(ChangeSink sink, long from) throws IOException {
        long now = from;
        while (position < limit || fill()) {
            if (position != Stretch.BEGIN
                    || !stretches.takenApart()
                    || !stretch.moments().rises(now)) {
                stretch.settle();
                stretch.plain(position, now, plain);
            }
            sink.moments(now, stretch.moments());
            now = stretch.moments().last(now);
            position = stretch.end();
            line += stretch.lines();
            if (position < limit) {
                break;
            }
        }
        return now;
    }

    private void command() throws IOException {
        position--;
        nextToken();
        String word = tokenText();
        switch (word) {
            case "$dumpvars", "$dumpall", "$dumpon", "$dumpoff", "$end" -> {}
            case "$comment" -> skipToEnd(word);
            default ->
                throw new RecordFault(line, "the command '" + shown(word) + "' is not known after the declarations.");
        }
    }

    private long time() throws IOException {
        long value = 0;
        int digits = 0;
        int c = next();
        while (c >= '0' && c <= '9') {
            value = value * 10 + (c - '0');
            digits++;
            c = next();
        }
        back(c);
        if (digits == 0 || digits > 18 || c > ' ') {
            throw new RecordFault(
                    line,
                    digits > 18
                            ? "the time has more than 18 digits."
                            : "found " + glyph(c) + " in a time; # and digits were expected.");
        }
        return value;
    }

    /** Reads an identifier whose first character is given, and finds its variable. */
    private int identifier(int first) throws IOException {
        if (first <= ' ') {
            back(first);
            throw new RecordFault(line, "a value without an identifier; the record is cut off or damaged here.");
        }
        int second = next();
        if (second <= ' ') {
            back(second);
            return declared(first > '~' ? NOT_DECLARED : shortIds[first - FIRST_PRINTABLE], first, ' ');
        }
        int third = next();
        if (third <= ' ' && first <= '~' && second <= '~') {
            back(third);
            int slot = PRINTABLES + (first - FIRST_PRINTABLE) * PRINTABLES + second - FIRST_PRINTABLE;
            return declared(shortIds[slot], first, second);
        }
        return longIdentifier(first, second, third);
    }

    private int declared(int variable, int first, int second) {
        if (variable == NOT_DECLARED) {
            throw new RecordFault(
                    line,
                    "the identifier '" + shown(("" + (char) first + (char) second).strip())
                            + "' was never declared by a $var.");
        }
        return variable;
    }

    private int longIdentifier(int first, int second, int third) throws IOException {
        StringBuilder id = new StringBuilder().append((char) first).append((char) second);
        int c = third;
        while (c > ' ') {
            if (id.length() >= MAX_TOKEN) {
                throw tooLong();
            }
            id.append((char) c);
            c = next();
        }
        back(c);
        Integer variable = variables.get(id.toString());
        if (variable == null) {
            throw new RecordFault(line, "the identifier '" + shown(id.toString()) + "' was never declared by a $var.");
        }
        return variable;
    }

    /** Gives each wanted bit of a vector its level; a short value is extended on the left: 0 after 0 and 1, else by itself. */
    private void vector(int variable, ChangeSink sink) {
        int[] lines = wanted[variable];
        int length = tokenLength;
        if (length == 0) {
            throw new RecordFault(line, "a vector value without digits.");
        }
        if (length > widths.get(variable)) {
            throw new RecordFault(
                    line, "a value of " + length + " bits for a variable of " + widths.get(variable) + ".");
        }
        for (int i = 0; i < length; i++) {
            level(token[i]);
        }
        if (lines == null) {
            return;
        }
        for (int i = 0; i < lines.length; i += 2) {
            int offset = lines[i + 1];
            int level = offset < length
                    ? level(token[length - 1 - offset])
                    : level(token[0]) == Levels.UNKNOWN ? Levels.UNKNOWN : 0;
            sink.change(lines[i], level);
        }
    }

    private int level(byte c) {
        return switch (c) {
            case '0' -> 0;
            case '1' -> 1;
            case 'x', 'X', 'z', 'Z' -> Levels.UNKNOWN;
            default -> throw new RecordFault(line, "found " + glyph(c) + " in a vector; 0, 1, x and z are allowed.");
        };
    }

    private static int slotOf(String id) {
        for (int i = 0; i < id.length(); i++) {
            if (id.charAt(i) < FIRST_PRINTABLE || id.charAt(i) > '~') {
                throw new RecordFault(
                        0, "an identifier with the character " + glyph(id.charAt(i)) + "; printable ones are allowed.");
            }
        }
        int first = id.charAt(0) - FIRST_PRINTABLE;
        return id.length() == 1 ? first : PRINTABLES + first * PRINTABLES + id.charAt(1) - FIRST_PRINTABLE;
    }

    // Reading bytes. Lines are counted where a line feed is taken, so that the number is right wherever a fault shows.

    private int next() throws IOException {
        if (position == limit && !fill()) {
            return END;
        }
        int c = buffer[position++] & 0xFF;
        if (c == '\n') {
            line++;
        }
        return c;
    }

    private void back(int c) {
        if (c != END) {
            position--;
            if (c == '\n') {
                line--;
            }
        }
    }

    /** The last line that has something in it. */
    private long lastLine() {
        return position > 0 && buffer[position - 1] == '\n' ? Math.max(1, line - 1) : line;
    }

    private int peek() throws IOException {
        return position == limit && !fill() ? END : buffer[position] & 0xFF;
    }

    private boolean fill() throws IOException {
        Stretch next = stretches.next();
        if (next == null) {
            return false;
        }
        // The byte taken last is kept in front, so that it can be given back.
        next.bytes[0] = limit == 0 ? 0 : buffer[limit - 1];
        stretch = next;
        buffer = next.bytes;
        position = Stretch.BEGIN;
        limit = next.limit();
        return true;
    }

    private int skipBlanks() throws IOException {
        int c = next();
        while (c != END && c <= ' ') {
            c = next();
        }
        return c;
    }

    private int skipSpaces() throws IOException {
        int c = next();
        while (c == ' ' || c == '\t') {
            c = next();
        }
        return c;
    }

    private boolean nextToken() throws IOException {
        int c = skipBlanks();
        tokenLength = 0;
        while (c > ' ') {
            if (tokenLength == token.length) {
                if (tokenLength >= MAX_TOKEN) {
                    throw tooLong();
                }
                token = Arrays.copyOf(token, token.length * 2);
            }
            token[tokenLength++] = (byte) c;
            c = next();
        }
        back(c);
        return tokenLength > 0;
    }

    private RecordFault tooLong() {
        return new RecordFault(
                line,
                "a word of more than " + MAX_TOKEN + " characters; this is no value change dump, or it is damaged.");
    }

    private String tokenText() {
        return new String(token, 0, tokenLength, StandardCharsets.ISO_8859_1);
    }

    private List<String> untilEnd(String command) throws IOException {
        List<String> words = new ArrayList<>();
        while (nextToken()) {
            String word = tokenText();
            if (word.equals("$end")) {
                return words;
            }
            if (words.size() > 64) {
                throw new RecordFault(began, command + " is not closed by $end.");
            }
            words.add(word);
        }
        throw new RecordFault(began, command + " is not closed by $end; the record is cut off.");
    }

    private void skipToEnd(String command) throws IOException {
        began = line;
        while (nextToken()) {
            if (tokenLength == 4 && token[0] == '$' && tokenText().equals("$end")) {
                return;
            }
        }
        throw new RecordFault(began, command + " is not closed by $end; the record is cut off.");
    }

    private static String shown(String text) {
        String clean = text.replaceAll("[^ -~]", "?");
        return clean.length() > 40 ? clean.substring(0, 40) + "…" : clean;
    }

    private static String glyph(int c) {
        if (c == END) {
            return "the end of the record";
        }
        if (c == '\n' || c == '\r') {
            return "the end of the line";
        }
        return c > ' ' && c <= '~' ? "'" + (char) c + "'" : String.format("byte 0x%02X", c & 0xFF);
    }
}
