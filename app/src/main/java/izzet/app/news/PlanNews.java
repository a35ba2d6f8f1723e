package izzet.app.news;

import izzet.app.fault.NoSuchThing;
import izzet.app.plan.PlanChanged;
import izzet.app.plan.PlanStore;
import izzet.app.store.SharedDatabase;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Tells open pages what happens to their plan: {@code edited} with the version it has now and what was done last, {@code ticked} with the key
 * of the step or check. Where other programs work on the same database, what they do is found within {@link #LOOK_MILLIS}.
 */
@Component
public class PlanNews {

    private static final Logger LOG = LoggerFactory.getLogger(PlanNews.class);
    private static final long MILLIS = 15 * 60_000L;
    private static final int MOST_A_PLAN = 20;

    private static final long LOOK_MILLIS = 1000;

    private final PlanStore plans;
    private final Elsewhere elsewhere;
    private final boolean shared;
    private ScheduledExecutorService looking;
    private final Map<Long, List<SseEmitter>> listeners = new ConcurrentHashMap<>();

    PlanNews(PlanStore plans, Elsewhere elsewhere, Environment environment) {
        this.plans = plans;
        this.elsewhere = elsewhere;
        this.shared = SharedDatabase.is(environment);
    }

    private synchronized void beginToLook() {
        if (shared && looking == null) {
            looking = Executors.newSingleThreadScheduledExecutor(task -> {
                Thread thread = new Thread(task, "news from elsewhere");
                thread.setDaemon(true);
                return thread;
            });
            looking.scheduleWithFixedDelay(this::lookAgain, 0, LOOK_MILLIS, TimeUnit.MILLISECONDS);
        }
    }

    /** A server that is away for a while is looked at again. */
    private void lookAgain() {
        try {
            look();
        } catch (RuntimeException e) {
            LOG.debug("no news: {}", e.getMessage());
        }
    }

    /** Tells what other programs did to plans that somebody listens to. */
    void look() {
        Set<Long> watched = listeners.entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        elsewhere.look(watched, plan -> tell(plan, "edited", state(plan)), this::ticked);
    }

    /**
     * A page listens; the one that listened longest goes where there are too many. It comes again by itself.
     *
     * @throws NoSuchThing when there is no such plan
     */
    SseEmitter listen(long planId) {
        String state = state(planId);
        SseEmitter emitter = new SseEmitter(MILLIS);
        List<SseEmitter> all = listeners.computeIfAbsent(planId, p -> new CopyOnWriteArrayList<>());
        emitter.onCompletion(() -> all.remove(emitter));
        emitter.onTimeout(emitter::complete);
        emitter.onError(e -> all.remove(emitter));
        all.add(emitter);
        beginToLook();
        if (all.size() > MOST_A_PLAN) {
            all.get(0).complete();
        }
        // What happened while it did not listen.
        send(emitter, all, "edited", state);
        return emitter;
    }

    /** @param key of the step or check that changed */
    public void ticked(long planId, String key) {
        tell(planId, "ticked", key);
    }

    @TransactionalEventListener(fallbackExecution = true)
    void edited(PlanChanged change) {
        if (listeners.containsKey(change.id())) {
            tell(change.id(), "edited", state(change.id()));
        }
    }

    /** A page that listens would hold the end of the program up. */
    @EventListener(ContextClosedEvent.class)
    synchronized void close() {
        if (looking != null) {
            looking.shutdownNow();
        }
        listeners.values().forEach(all -> all.forEach(SseEmitter::complete));
    }

    private String state(long planId) {
        PlanStore.Head head = plans.head(planId);
        return JsonMapper.shared().writeValueAsString(Map.of("version", head.version(), "done", head.done()));
    }

    private void tell(long planId, String name, String data) {
        List<SseEmitter> all = listeners.getOrDefault(planId, List.of());
        all.forEach(e -> send(e, all, name, data));
    }

    private static void send(SseEmitter emitter, List<SseEmitter> all, String name, String data) {
        try {
            emitter.send(SseEmitter.event().name(name).data(data));
        } catch (IOException | IllegalStateException e) {
            // It is gone.
            all.remove(emitter);
        }
    }
}
