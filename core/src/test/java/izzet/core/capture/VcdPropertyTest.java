package izzet.core.capture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;

/**
 * Random records, written in every manner the standard allows, are read as what was written: scalars and vectors, identifiers of one to
 * five characters, either line end or both, blanks and comments anywhere, reads that end anywhere.
 */
class VcdPropertyTest {

    private record Variable(String id, int width) {}

    /** What a record says: at each time the levels of every bit, most significant first. */
    private static final class Model {
        private final List<Variable> variables = new ArrayList<>();
        private final List<String> expected = new ArrayList<>();
        private final StringBuilder text = new StringBuilder();
        private final Random random;
        private final List<String> ends;

        Model(Random random) {
            this.random = random;
            this.ends = List.of(List.of("\n"), List.of("\r\n"), List.of("\r\n", "\n"))
                    .get(random.nextInt(3));
            Set<String> ids = new HashSet<>();
            while (variables.size() < 2 + random.nextInt(6)) {
                StringBuilder id = new StringBuilder();
                int length = 1 + random.nextInt(random.nextInt(4) == 0 ? 5 : 2);
                for (int i = 0; i < length; i++) {
                    id.append((char) ('!' + random.nextInt(94)));
                }
                // A word that begins with $ would be a command where a declaration expects an identifier.
                if (id.charAt(0) != '$' && ids.add(id.toString())) {
                    variables.add(new Variable(id.toString(), random.nextInt(3) == 0 ? 2 + random.nextInt(9) : 1));
                }
            }
        }

        String write() {
            text.append("$timescale").append(gap()).append("10 ns $end").append(end());
            text.append("$scope module top $end").append(end());
            for (int i = 0; i < variables.size(); i++) {
                Variable v = variables.get(i);
                text.append("$var wire ")
                        .append(v.width())
                        .append(gap())
                        .append(v.id())
                        .append(" v")
                        .append(i);
                text.append(v.width() > 1 ? " [" + (v.width() - 1) + ":0]" : "")
                        .append(" $end")
                        .append(end());
            }
            text.append("$upscope $end")
                    .append(end())
                    .append("$enddefinitions $end")
                    .append(end());
            long time = random.nextInt(50);
            for (int step = 0; step < 120; step++) {
                text.append('#').append(time).append(random.nextInt(9) == 0 ? "  " + end() : end());
                List<String> at = new ArrayList<>();
                for (int i = 0; i < variables.size(); i++) {
                    if (random.nextInt(3) == 0) {
                        at.addAll(change(i));
                    }
                }
                expected.addAll(at);
                expected.add("@" + time);
                if (random.nextInt(20) == 0) {
                    text.append("$comment #7 1! anything $end").append(end());
                }
                time += 1 + (random.nextInt(5) == 0 ? random.nextInt(2_000_000_000) : random.nextInt(30));
            }
            text.append('#').append(time).append(end());
            expected.add("@" + time);
            expected.add("end " + time);
            return text.toString();
        }

        private List<String> change(int i) {
            Variable v = variables.get(i);
            StringBuilder bits = new StringBuilder();
            for (int b = 0; b < v.width(); b++) {
                bits.append("01xz".charAt(random.nextInt(random.nextInt(4) == 0 ? 4 : 2)));
            }
            if (v.width() == 1) {
                boolean asVector = random.nextInt(6) == 0;
                text.append(asVector ? "b" + bits + " " : bits).append(v.id()).append(end());
                return List.of("v" + i + "=" + level(bits.charAt(0)));
            }
            String written = shortened(bits.toString());
            text.append(random.nextBoolean() ? 'b' : 'B')
                    .append(written)
                    .append(gap())
                    .append(v.id())
                    .append(end());
            List<String> all = new ArrayList<>();
            for (int b = v.width() - 1; b >= 0; b--) {
                all.add("v" + i + "[" + b + "]=" + level(bits.charAt(v.width() - 1 - b)));
            }
            return all;
        }

        /** A value may leave out what the standard fills in again on the left: 0 before 0 or 1, its own kind before x and z. */
        private String shortened(String bits) {
            String s = bits;
            while (s.length() > 1
                    && random.nextBoolean()
                    && (s.charAt(0) == '0' && s.charAt(1) <= '1' || s.charAt(0) > '1' && s.charAt(0) == s.charAt(1))) {
                s = s.substring(1);
            }
            return s;
        }

        private static int level(char bit) {
            return bit == '0' ? 0 : bit == '1' ? 1 : 2;
        }

        private String end() {
            return ends.get(random.nextInt(ends.size()));
        }

        private String gap() {
            return " ".repeat(1 + random.nextInt(3));
        }
    }

    @RepeatedTest(60)
    void whatIsWrittenIsRead(RepetitionInfo repetition) throws IOException {
        Random random = new Random(repetition.getCurrentRepetition());
        Model model = new Model(random);
        byte[] record = model.write().getBytes(StandardCharsets.US_ASCII);
        assertThat(sortedByMoment(read(new VcdReader(chopped(record, random)))))
                .isEqualTo(sortedByMoment(model.expected));
    }

    @RepeatedTest(60)
    void stretchesTakenApartAheadSayTheSame(RepetitionInfo repetition) throws IOException {
        Random random = new Random(repetition.getCurrentRepetition());
        Model model = new Model(random);
        byte[] record = model.write().getBytes(StandardCharsets.US_ASCII);
        assertThat(sortedByMoment(read(inStretches(record, random)))).isEqualTo(sortedByMoment(model.expected));
    }

    @RepeatedTest(60)
    void aFaultNamesItsLineInWhateverStretchItIs(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        String[] lines = new Model(random).write().split("(?<=\n)");
        int at = lines.length / 4 + random.nextInt(lines.length * 3 / 4);
        lines[at] = List.of("?!\n", "1\n", "#12x\n", "1???????\n", "#\n").get(random.nextInt(5));
        byte[] record = String.join("", lines).getBytes(StandardCharsets.US_ASCII);
        String told = fault(new VcdReader(new ByteArrayInputStream(record)));
        assertThat(fault(inStretches(record, random))).isEqualTo(told).contains("" + (at + 1));
    }

    private static String fault(VcdReader reader) {
        RecordFault fault = catchThrowableOfType(RecordFault.class, () -> read(reader));
        return fault.line() + ": " + fault.getMessage();
    }

    private static VcdReader inStretches(byte[] record, Random random) {
        int first = 1 + random.nextInt(60);
        return new VcdReader(new Stretches(chopped(record, random), first, first + random.nextInt(200)));
    }

    private static List<String> read(VcdReader reader) throws IOException {
        List<String> read = new ArrayList<>();
        reader.read(new ChangeSink() {
            private List<Signal> signals;

            @Override
            public Signal[] header(RecordHeader header) {
                signals = header.signals();
                return signals.toArray(new Signal[0]);
            }

            @Override
            public void change(int index, int level) {
                read.add(signals.get(index).leafName() + "=" + level);
            }

            @Override
            public void moment(long ticks) {
                read.add("@" + ticks);
            }

            @Override
            public void end(long ticks) {
                read.add("end " + ticks);
            }
        });
        return read;
    }

    /** Changes under one time stamp happen together, so their order is no matter. */
    private static List<String> sortedByMoment(List<String> events) {
        List<String> all = new ArrayList<>();
        List<String> pending = new ArrayList<>();
        for (String event : events) {
            if (event.startsWith("v")) {
                pending.add(event);
            } else {
                pending.sort(null);
                all.addAll(pending);
                all.add(event);
                pending.clear();
            }
        }
        return all;
    }

    private static InputStream chopped(byte[] record, Random random) {
        int most = random.nextBoolean() ? Integer.MAX_VALUE : 1 + random.nextInt(40);
        return new ByteArrayInputStream(record) {
            @Override
            public synchronized int read(byte[] b, int off, int len) {
                return super.read(b, off, Math.min(len, most));
            }
        };
    }
}
