package izzet.benchmarks;

import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/** Uploads a record of a gigabyte, or of so many megabytes, to a running program, then looks at its wave at any zoom. */
public final class WaveTimes {

    private static final int USUAL_MEGABYTES = 1000;
    private static final int LOOKS = 400;
    private static final int WARM = 400;
    private static final int COLUMNS = 1200;
    private static final int LINES = 8;

    private WaveTimes() {}

    /** A bus of eight data lines and a strobe, written as it is read. */
    private static final class Record extends InputStream {
        private final Random random = new Random(11);
        private final StringBuilder text = new StringBuilder("$timescale 1ns $end\n$var wire 1 ! wr $end\n");
        private byte[] ready = {};
        private int at;
        private long told;
        private long now;
        private int data;
        private long edges;
        private final long bytes;

        Record(int megabytes) {
            bytes = megabytes * 1_000_000L;
            for (int i = 0; i < LINES; i++) {
                text.append("$var wire 1 ")
                        .append((char) ('#' + i))
                        .append(" d")
                        .append(i)
                        .append(" $end\n");
            }
            text.append("$enddefinitions $end\n#0\n1!\n");
            for (int i = 0; i < LINES; i++) {
                text.append('0').append((char) ('#' + i)).append('\n');
            }
        }

        private boolean more() {
            if (told > bytes) {
                return false;
            }
            for (int word = 0; word < 1000; word++) {
                now += 60 + (random.nextInt(20_000) == 0 ? 2_000_000 : 0);
                text.append('#').append(now).append("\n0!\n");
                int next = random.nextInt(256);
                for (int i = 0; i < LINES; i++) {
                    if (((next ^ data) >> i & 1) == 1) {
                        text.append(next >> i & 1).append((char) ('#' + i)).append('\n');
                        edges++;
                    }
                }
                data = next;
                text.append('#').append(now += 60).append("\n1!\n");
                edges += 2;
            }
            ready = text.toString().getBytes(StandardCharsets.US_ASCII);
            text.setLength(0);
            at = 0;
            told += ready.length;
            return true;
        }

        @Override
        public int read() {
            if (at == ready.length && !more()) {
                return -1;
            }
            return ready[at++];
        }

        @Override
        public int read(byte[] to, int from, int length) {
            if (at == ready.length && !more()) {
                return -1;
            }
            int some = Math.min(length, ready.length - at);
            System.arraycopy(ready, at, to, from, some);
            at += some;
            return some;
        }
    }

    /** @param args the address of the program; megabytes of the record */
    public static void main(String[] args) throws Exception {
        HttpClient client = HttpClient.newHttpClient();
        String document = new PlanDocument().write(Plan.empty("Wick halt", "mcu-8bit-5v-14-6"));
        String plan = client.send(
                        HttpRequest.newBuilder(URI.create(args[0] + "/api/plans"))
                                .POST(HttpRequest.BodyPublishers.ofString(document))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .headers()
                .firstValue("Location")
                .orElseThrow()
                .replaceAll(".*/", "");
        Record record = new Record(args.length > 1 ? Integer.parseInt(args[1]) : USUAL_MEGABYTES);
        long start = System.nanoTime();
        String place = upload(client, args[0] + "/plans/" + plan + "/traffic", record);
        System.out.printf(
                Locale.ROOT,
                "%d MB with %.0f million edges taken and decoded in %.0f s%n",
                record.told / 1_000_000,
                record.edges / 1e6,
                (System.nanoTime() - start) / 1e9);
        looks(client, args[0] + place.replaceAll("^https?://[^/]+", ""), record.now);
    }

    private static String upload(HttpClient client, String address, Record record)
            throws IOException, InterruptedException {
        String mark = "----record";
        byte[] head = ("--" + mark + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"long.vcd\"\r\n"
                        + "Content-Type: application/octet-stream\r\n\r\n")
                .getBytes(StandardCharsets.US_ASCII);
        byte[] foot = ("\r\n--" + mark + "--\r\n").getBytes(StandardCharsets.US_ASCII);
        InputStream body = new SequenceInputStream(Collections.enumeration(
                List.of(new ByteArrayInputStream(head), record, new ByteArrayInputStream(foot))));
        HttpResponse<String> answer = client.send(
                HttpRequest.newBuilder(URI.create(address))
                        .header("Content-Type", "multipart/form-data; boundary=" + mark)
                        .POST(HttpRequest.BodyPublishers.ofInputStream(() -> body))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        return answer.headers()
                .firstValue("Location")
                .orElseThrow(() -> new IOException(
                        answer.statusCode() + " " + answer.body().replaceAll("\\s+", " ")));
    }

    private static void looks(HttpClient client, String record, long end) throws IOException, InterruptedException {
        Random random = new Random(3);
        double[] times = new double[LOOKS];
        for (int i = -WARM; i < LOOKS; i++) {
            // Any zoom is as likely as any other; each tenth look is at the whole.
            long span = i % 10 == 0 ? end : (long) Math.pow(end, 0.3 + 0.7 * random.nextDouble());
            long from = (long) (random.nextDouble() * (end - span));
            long start = System.nanoTime();
            HttpResponse<byte[]> answer = client.send(
                    HttpRequest.newBuilder(URI.create(
                                    record + "/wave?from=" + from + "&to=" + (from + span) + "&columns=" + COLUMNS))
                            .build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            if (answer.statusCode() != 200 || answer.body().length < COLUMNS) {
                throw new IOException("no wave: " + answer.statusCode() + ", " + answer.body().length + " bytes");
            }
            if (i >= 0) {
                times[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        Arrays.sort(times);
        System.out.printf(
                Locale.ROOT,
                "wave of all lines at %d columns, %d looks: median %.0f ms, 95 of 100 within %.0f ms, longest %.0f ms%n",
                COLUMNS,
                LOOKS,
                times[LOOKS / 2],
                times[LOOKS * 95 / 100],
                times[LOOKS - 1]);
    }
}
