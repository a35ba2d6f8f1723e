package izzet.app.demo;

import izzet.app.catalog.Shelf;
import izzet.app.plan.PlanStore;
import izzet.app.traffic.RecordStore;
import izzet.core.bench.I2cWaveform;
import izzet.core.catalog.CatalogReader;
import izzet.core.discovery.Discovery;
import izzet.core.plan.PlanDocument;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionOperations;

/**
 * Fills an empty database with the demo plans, and a record made on the simulated bus, when asked for. Before the server listens: nobody
 * sees half of it.
 */
@Component
class Demo implements SmartLifecycle {

    private static final int BEFORE_THE_SERVER = WebServerApplicationContext.START_STOP_LIFECYCLE_PHASE - 1;

    private static final int SIGN = 0x3C;
    private static final int OTHER_SIGN = 0x3D;
    private static final int CABIN = 0x27;

    private final PlanStore plans;
    private final RecordStore records;
    private final PlanDocument documents;
    private final Shelf shelf;
    private final TransactionOperations transactions;
    private final boolean wanted;
    private volatile boolean running;

    Demo(
            PlanStore plans,
            RecordStore records,
            PlanDocument documents,
            Shelf shelf,
            TransactionOperations transactions,
            @Value("${izzet.demo}") boolean wanted) {
        this.wanted = wanted;
        this.plans = plans;
        this.records = records;
        this.documents = documents;
        this.shelf = shelf;
        this.transactions = transactions;
    }

    @Override
    public int getPhase() {
        return BEFORE_THE_SERVER;
    }

    @Override
    public void start() {
        running = true;
        try {
            fill();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    private void fill() throws IOException {
        if (!wanted || !plans.list().isEmpty() || !plans.deleted().isEmpty()) {
            return;
        }
        Discovery.texts("/demo-shelf", ".json")
                .forEach((name, text) -> shelf.put(new CatalogReader().part(name, text)));
        List<Long> recorded = new ArrayList<>();
        transactions.executeWithoutResult(t -> {
            for (String text : Discovery.texts("/demo-plans", ".json").values()) {
                long id = plans.create(documents.read(text, shelf.catalog()), "came with the demo");
                if (text.contains("platform-1")) {
                    recorded.add(id);
                }
            }
        });
        for (long id : recorded) {
            records.upload(id, "signs at power-up.vcd", new ByteArrayInputStream(powerUp()));
        }
    }

    /** Both signs answer at one address, the program tries the other; then the cabin display is written. */
    static byte[] powerUp() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (I2cWaveform bus = new I2cWaveform(out, 100_000)) {
            bus.write(SIGN, true, 0x00, 0xAE, 0xD5, 0x80, 0xA8, 0x3F, 0xD3, 0x00, 0x40, 0x8D, 0x14);
            bus.write(SIGN, true, 0x00, 0x20, 0x00, 0xA1, 0xC8, 0xDA, 0x12, 0x81, 0x7F);
            bus.write(SIGN, true, 0x00, 0xAF);
            bus.write(OTHER_SIGN, false);
            bus.idle(2_000_000);
            bus.write(SIGN, true, 0x00, 0x21, 0, 127, 0x22, 0, 7);
            for (int piece = 0; piece < 32; piece++) {
                int[] bytes = new int[33];
                bytes[0] = 0x40;
                for (int i = 1; i < bytes.length; i++) {
                    bytes[i] = (piece * 37 + i * 11) & 0xFF;
                }
                bus.write(SIGN, true, bytes);
            }
            bus.idle(3_000_000);
            cabin(bus);
            bus.write(OTHER_SIGN, false);
        }
        return out.toByteArray();
    }

    private static void cabin(I2cWaveform bus) throws IOException {
        for (int nibble : new int[] {3, 3, 3, 2}) {
            bus.write(CABIN, true, nibble << 4 | 0x0C, nibble << 4 | 0x08);
            bus.idle(4_000_000);
        }
        for (int command : new int[] {0x28, 0x0C, 0x06, 0x01}) {
            send(bus, command, 0);
        }
        bus.idle(2_000_000);
        send(bus, 0x80, 0);
        text(bus, "LINE 2 CLEAR");
    }

    private static void text(I2cWaveform bus, String text) throws IOException {
        int[] bytes = new int[text.length() * 4];
        for (int i = 0; i < text.length(); i++) {
            int c = text.charAt(i);
            int[] four = {c & 0xF0 | 0x0D, c & 0xF0 | 0x09, (c & 0x0F) << 4 | 0x0D, (c & 0x0F) << 4 | 0x09};
            System.arraycopy(four, 0, bytes, i * 4, 4);
        }
        bus.write(CABIN, true, bytes);
    }

    private static void send(I2cWaveform bus, int value, int rs) throws IOException {
        int high = value & 0xF0 | 0x08 | rs;
        int low = (value & 0x0F) << 4 | 0x08 | rs;
        bus.write(CABIN, true, high | 4, high, low | 4, low);
    }
}
