package izzet.app.demo;

import izzet.app.catalog.Shelf;
import izzet.app.log.LogStore;
import izzet.app.plan.PlanStore;
import izzet.app.traffic.RecordStore;
import izzet.app.traffic.SampleRecord;
import izzet.core.catalog.CatalogReader;
import izzet.core.discovery.Discovery;
import izzet.core.plan.PlanDocument;
import java.io.ByteArrayInputStream;
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

    private final PlanStore plans;
    private final RecordStore records;
    private final LogStore log;
    private final PlanDocument documents;
    private final Shelf shelf;
    private final TransactionOperations transactions;
    private final boolean wanted;
    private volatile boolean running;

    Demo(
            PlanStore plans,
            RecordStore records,
            LogStore log,
            PlanDocument documents,
            Shelf shelf,
            TransactionOperations transactions,
            @Value("${izzet.demo}") boolean wanted) {
        this.wanted = wanted;
        this.plans = plans;
        this.records = records;
        this.log = log;
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
        if (!wanted || plans.count() > 0 || !plans.deleted().isEmpty()) {
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
            records.upload(id, "signs at power-up.vcd", new ByteArrayInputStream(SampleRecord.bytes()));
            log.note(
                    id,
                    1,
                    "Both platform signs show the same",
                    "They share **0x3C**, so each hears what the other is told. Until the bus switch comes, the strap of"
                            + " platform 2 goes to the other place.");
            log.note(
                    id,
                    1,
                    "Cabin display: bars at first, then nothing",
                    "- bars in the upper row only: never set up\n- after the start: nothing, until the wiper was turned"
                            + " towards ground\n\nNo capacitor, no wait, no other cable had made a difference.");
        }
    }
}
