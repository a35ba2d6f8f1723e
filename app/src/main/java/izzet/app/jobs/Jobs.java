package izzet.app.jobs;

import izzet.app.fault.Busy;
import izzet.app.fault.MemoryShort;
import izzet.app.fault.NoSuchThing;
import izzet.app.fault.Stopped;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * All long computations. Two run at once; those that wait take turns by plan, so that who asks for many waits, not the others. The latest are
 * remembered, so that a page may look again for what it asked.
 */
@Component
public class Jobs {

    /** How long a page waits for an answer before it tells how far it has come. */
    public static final Duration PATIENCE = Duration.ofMillis(1500);

    private static final int AT_ONCE = 2;
    private static final int MOST_WAITING = 32;
    private static final int REMEMBERED = 40;

    private final Duration patience;
    private final Map<Long, Deque<Job<?>>> queues = new LinkedHashMap<>();
    private final Map<Long, Job<?>> jobs = new LinkedHashMap<>();
    private final List<Thread> workers = new ArrayList<>();
    private final int atOnce;
    private boolean closed;
    private long next = 1;

    Jobs() {
        this(AT_ONCE, Duration.ofSeconds(10));
    }

    Jobs(int atOnce, Duration patience) {
        this.atOnce = atOnce;
        this.patience = patience;
    }

    /**
     * The job that was asked for with the same key, or a new one. One that failed or was stopped is told once, and begun anew when it is asked for again.
     *
     * @param plan that it is for; 0 for none
     * @param key a value that stands for everything that the result depends on
     * @param what for people
     * @param address of the page that shows it; {@code {job}} stands for its number
     * @throws Busy when too many wait already
     */
    @SuppressWarnings("unchecked")
    public synchronized <T> Job<T> of(long plan, Object key, String what, String address, Job.Work<T> work) {
        Job<T> job = (Job<T>) jobs.values().stream()
                .filter(j -> key.equals(j.key()))
                .findFirst()
                .orElse(null);
        if (job == null) {
            return begin(plan, key, what, address, work);
        }
        if (job.done() && (job.fault() != null || job.stopped())) {
            jobs.remove(job.id());
        }
        return job;
    }

    private <T> Job<T> begin(long plan, Object key, String what, String address, Job.Work<T> work) {
        int waiting = queues.values().stream().mapToInt(Deque::size).sum();
        if (waiting >= MOST_WAITING || closed) {
            throw new Busy("Too many searches wait already. Nothing was changed; try again in a minute.");
        }
        Job<T> job = new Job<>(next, plan, key, what, address.replace("{job}", String.valueOf(next)), work);
        next++;
        jobs.put(job.id(), job);
        forgetOldest();
        queues.computeIfAbsent(plan, p -> new ArrayDeque<>()).add(job);
        if (workers.size() < atOnce) {
            Thread worker = new Thread(this::work, "job-" + workers.size());
            worker.setDaemon(true);
            workers.add(worker);
            worker.start();
        }
        notifyAll();
        return job;
    }

    private void forgetOldest() {
        Iterator<Job<?>> oldest = jobs.values().iterator();
        while (jobs.size() > REMEMBERED && oldest.hasNext()) {
            if (oldest.next().done()) {
                oldest.remove();
            }
        }
    }

    /** As the other, for what ends by itself within a moment and tells nothing meanwhile. */
    public <T> T take(long plan, String what, Supplier<T> work) {
        return take(plan, what, turn -> work.get(), false);
    }

    /**
     * Waits for its turn and computes then, on the thread that asks; first come, first served within a plan. The computation says how far it has come
     * and looks whether it was stopped ({@link Job#goOn}).
     *
     * @throws Busy when it is not its turn in time
     * @throws Stopped when somebody stopped it
     */
    public <T> T take(long plan, String what, Function<Job<?>, T> work) {
        return take(plan, what, work, true);
    }

    private <T> T take(long plan, String what, Function<Job<?>, T> work, boolean heeds) {
        CountDownLatch over = new CountDownLatch(1);
        Job<T> turn;
        synchronized (this) {
            turn = begin(plan, new Object(), what, "", job -> keep(over));
            turn.heeds(heeds);
        }
        try {
            if (!turn.awaitBegin(patience) && withdraw(turn)) {
                throw new Busy("Others are searching, and it was not your turn within " + patience.toSeconds()
                        + " seconds. Nothing was changed; try again in a moment.");
            }
            turn.goOn();
            return work.apply(turn);
        } finally {
            over.countDown();
            synchronized (this) {
                jobs.remove(turn.id());
            }
        }
    }

    /** Keeps a worker from other work while somebody else computes. */
    private static <T> T keep(CountDownLatch over) {
        try {
            over.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return null;
    }

    /** Whether it still waited. */
    private synchronized boolean withdraw(Job<?> job) {
        Deque<Job<?>> queue = queues.get(job.owner());
        return queue != null && queue.remove(job);
    }

    private void work() {
        for (Job<?> job = turn(); job != null; job = turn()) {
            job.run();
        }
    }

    /** The next job, of the plan that has waited longest for one; null at the end. */
    private synchronized Job<?> turn() {
        while (!closed) {
            Iterator<Map.Entry<Long, Deque<Job<?>>>> plans = queues.entrySet().iterator();
            while (plans.hasNext()) {
                Map.Entry<Long, Deque<Job<?>>> plan = plans.next();
                Job<?> job = plan.getValue().poll();
                plans.remove();
                if (job != null) {
                    if (!plan.getValue().isEmpty()) {
                        queues.put(plan.getKey(), plan.getValue());
                    }
                    return job;
                }
            }
            try {
                wait();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return null;
            }
        }
        return null;
    }

    @EventListener(MemoryShort.class)
    synchronized void letGo() {
        jobs.values().removeIf(Job::done);
    }

    /** The latest, the newest first. */
    public synchronized List<Job<?>> all() {
        List<Job<?>> all = new ArrayList<>(jobs.values());
        Collections.reverse(all);
        return all;
    }

    /** @throws NoSuchThing when it is not remembered any more */
    public synchronized Job<?> get(long id) {
        Job<?> job = jobs.get(id);
        if (job == null) {
            throw new NoSuchThing("This search is not known any more; start it again.");
        }
        return job;
    }

    @PreDestroy
    synchronized void close() {
        closed = true;
        jobs.values().forEach(Job::stop);
        workers.forEach(Thread::interrupt);
        notifyAll();
    }
}
