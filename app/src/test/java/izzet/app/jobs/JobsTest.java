package izzet.app.jobs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import izzet.app.fault.Busy;
import izzet.app.fault.NoSuchThing;
import izzet.app.fault.Stopped;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class JobsTest {

    private static final Duration LONG = Duration.ofSeconds(30);

    private final Jobs jobs = new Jobs(1, Duration.ZERO);
    private final CountDownLatch held = new CountDownLatch(1);

    @AfterEach
    void end() {
        held.countDown();
        jobs.close();
    }

    /** Keeps the only worker until {@code held} opens. */
    private Job<String> hold() {
        Job<String> first = jobs.of(1, "held", "Held", "/held", job -> {
            try {
                held.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return "first";
        });
        assertThat(first.awaitBegin(LONG)).isTrue();
        return first;
    }

    private <T> T ended(Job<T> job) {
        assertThat(job.await(LONG)).isTrue();
        return job.result();
    }

    @Test
    void whoComesTooLateIsToldAndTheNextHasItsTurn() {
        Job<String> first = hold();
        assertThat(first.stoppable()).isTrue();
        assertThatThrownBy(() -> jobs.take(2, "second", () -> "second"))
                .isInstanceOf(Busy.class)
                .hasMessageContaining("Nothing was changed");
        held.countDown();
        assertThat(ended(first)).isEqualTo("first");
        Jobs patient = new Jobs(1, LONG);
        String third = patient.take(2, "third", () -> "third");
        assertThat(third).isEqualTo("third");
        assertThat(patient.all()).isEmpty();
        boolean stoppable = patient.take(2, "seen", () -> patient.all().get(0).stoppable());
        assertThat(stoppable).as("what somebody waits for").isFalse();
        patient.close();
    }

    /** What is made in pieces says how far it is and ends between two of them. */
    @Test
    void whatSomebodyWaitsForCanBeStoppedWhereItLooks() {
        Jobs patient = new Jobs(1, LONG);
        List<String> made = new ArrayList<>();
        assertThatThrownBy(() -> patient.take(3, "Zip", job -> {
                    for (int i = 1; i <= 3; i++) {
                        job.say("File " + i + ".");
                        job.goOn();
                        made.add(patient.all().get(0).progress());
                        assertThat(patient.all().get(0).stoppable()).isTrue();
                        patient.all().get(0).stop();
                    }
                    return "whole";
                }))
                .isInstanceOf(Stopped.class)
                .hasMessage("Zip: stopped. Nothing was changed; ask again when you want it.");
        assertThat(made).containsExactly("File 1.");
        String next = patient.take(3, "next", () -> "next");
        assertThat(next).as("its worker is free again").isEqualTo("next");
        patient.close();
    }

    @Test
    void whatFailsIsThrownWhereItIsWaitedFor() {
        Jobs patient = new Jobs(1, LONG);
        assertThatThrownBy(() -> patient.take(0, "fails", () -> {
                    throw new IllegalStateException("failed");
                }))
                .isInstanceOf(IllegalStateException.class)
                .hasMessage("failed");
        String next = patient.take(0, "next", () -> "next");
        assertThat(next).isEqualTo("next");
        patient.close();
    }

    @Test
    void theSameQuestionIsTheSameJobAndIsRemembered() {
        Job<String> first = hold();
        assertThat(jobs.of(1, "held", "Held", "/held", job -> "another")).isSameAs(first);
        held.countDown();
        assertThat(ended(first)).isEqualTo("first");
        assertThat(jobs.of(1, "held", "Held", "/held", job -> "another")).isSameAs(first);
        assertThat(jobs.get(first.id())).isSameAs(first);
        Job<String> second = jobs.of(1, "numbered", "Numbered", "/plans/1/assign/{job}", job -> "");
        assertThat(second.address()).isEqualTo("/plans/1/assign/" + second.id());
        assertThatThrownBy(() -> jobs.get(99)).isInstanceOf(NoSuchThing.class);
    }

    @Test
    void whatFailedOrWasStoppedIsToldOnceAndBegunAnew() {
        Job<String> failing = jobs.of(1, "key", "Fails", "/", job -> {
            throw new IllegalArgumentException("no");
        });
        assertThat(failing.await(LONG)).isTrue();
        assertThat(failing.state()).isEqualTo("failed");
        Job<String> again = jobs.of(1, "key", "Fails", "/", job -> "yes");
        assertThatThrownBy(again::result).hasMessage("no");
        String third = ended(jobs.of(1, "key", "Fails", "/", job -> "yes"));
        assertThat(third).isEqualTo("yes");
    }

    /** A worker outlives what it ran into. */
    @Test
    void anErrorIsToldAndOthersHaveTheirTurn() {
        Job<String> failing = jobs.of(1, "deep", "Too deep", "/", job -> {
            throw new StackOverflowError();
        });
        assertThat(failing.await(LONG)).isTrue();
        assertThatThrownBy(failing::result).hasMessageContaining("Too deep").hasMessageContaining("StackOverflow");
        String next = ended(jobs.of(1, "next", "Next", "/", job -> "next"));
        assertThat(next).isEqualTo("next");
    }

    @Test
    void aStoppedJobEndsWithWhatItHas() {
        CountDownLatch asked = new CountDownLatch(1);
        Job<Integer> counting = jobs.of(1, "count", "Count", "/", job -> {
            int n = 0;
            while (!job.stopped()) {
                job.say(++n + " so far.");
                asked.countDown();
                Thread.onSpinWait();
            }
            return n;
        });
        assertThat(counting.awaitBegin(LONG)).isTrue();
        await(asked);
        assertThat(counting.progress()).endsWith(" so far.");
        assertThat(counting.state()).isEqualTo("running");
        counting.stop();
        assertThat(ended(counting)).isPositive();
        assertThat(counting.state()).isEqualTo("done");
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Plan 1 asks for three before plan 2 asks for one: the one does not wait for all three. */
    @Test
    void plansTakeTurns() {
        hold();
        ConcurrentLinkedQueue<String> ran = new ConcurrentLinkedQueue<>();
        Job<Boolean> last = null;
        for (String name : List.of("one", "two", "three")) {
            last = jobs.of(1, name, name, "/", job -> ran.add(name));
        }
        Job<Boolean> other = jobs.of(2, "other", "other", "/", job -> ran.add("other"));
        assertThat(other.state()).isEqualTo("waiting");
        held.countDown();
        ended(other);
        ended(last);
        assertThat(ran).containsExactly("one", "other", "two", "three");
    }

    @Test
    void tooManyThatWaitAreRefused() {
        hold();
        for (int i = 0; i < 32; i++) {
            int number = i;
            jobs.of(1, number, "number " + number, "/", job -> number);
        }
        assertThatThrownBy(() -> jobs.of(2, "more", "more", "/", job -> "more")).isInstanceOf(Busy.class);
    }

    @Test
    void onlyTheLatestAreRemembered() {
        for (int i = 0; i < 60; i++) {
            int number = i;
            ended(jobs.of(1, number, "number " + number, "/", job -> number));
        }
        assertThat(jobs.all()).hasSize(40);
        assertThat(jobs.all().get(0).what()).isEqualTo("number 59");
        Job<String> running = hold();
        jobs.letGo();
        assertThat(jobs.all()).isEqualTo(List.of(running));
    }
}
