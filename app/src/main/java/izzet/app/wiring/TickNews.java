package izzet.app.wiring;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells other devices that something of a plan's wiring was ticked or measured. */
@Component
class TickNews {

    private static final long MILLIS = 15 * 60_000L;
    private static final int MOST_A_PLAN = 20;

    private final Map<Long, List<SseEmitter>> listeners = new ConcurrentHashMap<>();

    /** A device listens; the one that listened longest goes where there are too many. It comes again by itself. */
    SseEmitter listen(long planId) {
        SseEmitter emitter = new SseEmitter(MILLIS);
        List<SseEmitter> all = listeners.computeIfAbsent(planId, p -> new CopyOnWriteArrayList<>());
        emitter.onCompletion(() -> all.remove(emitter));
        emitter.onTimeout(emitter::complete);
        emitter.onError(e -> all.remove(emitter));
        all.add(emitter);
        if (all.size() > MOST_A_PLAN) {
            all.get(0).complete();
        }
        send(emitter, all, "hello", "");
        return emitter;
    }

    /** @param key of the step or check that changed */
    void changed(long planId, String key) {
        List<SseEmitter> all = listeners.getOrDefault(planId, List.of());
        all.forEach(e -> send(e, all, "changed", key));
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
