package izzet.app.assign;

import izzet.app.catalog.Shelf;
import izzet.app.fault.NoSuchThing;
import izzet.core.assign.Assigner;
import izzet.core.assign.Assigner.Answer;
import izzet.core.assign.Assigner.Limits;
import izzet.core.assign.Assigner.Outcome;
import izzet.core.assign.WaysOut;
import izzet.core.assign.Weights;
import izzet.core.catalog.Catalog;
import izzet.core.plan.Plan;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Service;

/** Searches for assignments in the background, one after the other: each can be watched and stopped. The last few are remembered. */
@Service
class AssignJobs {

    private static final int REMEMBERED = 20;

    private final Shelf shelf;
    private final Assigner assigner;
    private final WaysOut waysOut;
    private final ExecutorService runner = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "assigner");
        thread.setDaemon(true);
        return thread;
    });
    private final Map<String, Job> jobs = new LinkedHashMap<>();
    private int next = 1;

    AssignJobs(Shelf shelf, Assigner assigner) {
        this.shelf = shelf;
        this.assigner = assigner;
        this.waysOut = WaysOut.all(assigner);
    }

    /** A search. Read by pages while another thread works on it. */
    static final class Job {
        private final long plan;
        private final long version;
        private final Plan start;
        private final Weights weights;
        private final Duration time;
        private final CountDownLatch done = new CountDownLatch(1);
        private volatile boolean stopped;
        private volatile Integer best;
        private volatile Answer answer;
        private volatile WaysOut.Ways ways = WaysOut.Ways.NONE;
        private volatile String fault;

        Job(long plan, long version, Plan start, Weights weights, Duration time) {
            this.plan = plan;
            this.version = version;
            this.start = start;
            this.weights = weights;
            this.time = time;
        }

        long plan() {
            return plan;
        }

        long version() {
            return version;
        }

        Plan start() {
            return start;
        }

        Duration time() {
            return time;
        }

        Weights weights() {
            return weights;
        }

        /** Price of the best assignment so far; null before there is any. */
        Integer best() {
            return best;
        }

        /** Null while it is searched for. */
        Answer answer() {
            return answer;
        }

        WaysOut.Ways ways() {
            return ways;
        }

        String fault() {
            return fault;
        }

        boolean done() {
            return done.getCount() == 0;
        }

        void stop() {
            stopped = true;
        }

        /** Waits a little, so that a quick search needs no second look. */
        void await(Duration patience) throws InterruptedException {
            done.await(patience.toMillis(), TimeUnit.MILLISECONDS);
        }

        private void run(Assigner assigner, WaysOut waysOut, Catalog catalog) {
            try {
                Limits limits = new Limits(time, () -> stopped, price -> best = price, Limits.MOST_ANSWERS);
                Answer found = assigner.assign(start, catalog, weights, limits);
                if (found.outcome() == Outcome.NONE) {
                    ways = waysOut.of(start, catalog, weights, limits);
                }
                answer = found;
            } catch (RuntimeException e) {
                fault = "The search failed: " + e.getMessage();
            } finally {
                done.countDown();
            }
        }
    }

    synchronized String begin(long plan, long version, Plan start, Weights weights, Duration time) {
        String id = String.valueOf(next++);
        Job job = new Job(plan, version, start, weights, time);
        jobs.put(id, job);
        if (jobs.size() > REMEMBERED) {
            String oldest = jobs.keySet().iterator().next();
            jobs.remove(oldest).stop();
        }
        Catalog catalog = shelf.catalog();
        runner.execute(() -> job.run(assigner, waysOut, catalog));
        return id;
    }

    synchronized Job get(long plan, String id) {
        Job job = jobs.get(id);
        if (job == null || job.plan() != plan) {
            throw new NoSuchThing("This search is not known any more; start it again.");
        }
        return job;
    }

    @PreDestroy
    void close() {
        synchronized (this) {
            jobs.values().forEach(Job::stop);
        }
        runner.shutdownNow();
    }
}
