package izzet.core.assign;

import izzet.core.circuit.Unit;
import izzet.core.plan.Bus;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What a task's places cost, as numbers that a search can run on: places and wishes are their indexes. Immutable after construction. Safe
 * to share.
 */
final class Prices {

    /** The price of a place that is none for the line. */
    static final int NONE = Integer.MAX_VALUE;

    /**
     * The lines of one part in the order of its header.
     *
     * @param wishes their indexes; a line of a bus is in the chains of all its parts
     * @param data whether a line and the next are data lines, by the number of the first
     */
    record Chain(Unit unit, int[] wishes, boolean[] data) {}

    private final Task task;
    private final int[][][] place;
    private final int[][] apart;
    private final int[][] apartOrOutOfOrder;
    private final int[][] way;
    private final int[] strip;
    private final List<Chain> chains = new ArrayList<>();
    private final int crossed;
    private final int furtherStrip;

    Prices(Task task) {
        this.task = task;
        int spots = task.spots().size();
        place = task.wishes().stream().map(this::places).toArray(int[][][]::new);
        apart = new int[spots][spots];
        apartOrOutOfOrder = new int[spots][spots];
        way = new int[spots][spots];
        int near = task.weights().of(Criterion.NEAR);
        int port = task.weights().of(Criterion.PORT);
        crossed = Points.CROSSED * near;
        furtherStrip = Points.STRIP * task.weights().of(Criterion.SIDE);
        Map<String, Points.Lie> lies = Points.lies(task.circuit());
        for (int p = 0; p < spots; p++) {
            for (int q = 0; q < spots; q++) {
                Spot a = task.spots().get(p);
                Spot b = task.spots().get(q);
                if (a.pin() != null && b.pin() != null && p != q) {
                    Points.Lie from = lies.get(a.pin().id());
                    Points.Lie to = lies.get(b.pin().id());
                    apart[p][q] = Points.apart(from, to) * near;
                    apartOrOutOfOrder[p][q] =
                            apart[p][q] + (Points.nextBit(a.pin(), b.pin()) ? 0 : Points.OUT_OF_ORDER * port);
                    way[p][q] = Points.way(from, to);
                }
            }
        }
        strip = strips();
        for (Unit unit : task.circuit().units()) {
            int[] wishes =
                    task.inOrder(unit).stream().mapToInt(Integer::intValue).toArray();
            boolean[] data = new boolean[wishes.length];
            for (int k = 1; k < wishes.length; k++) {
                data[k - 1] = task.data(wishes[k - 1], unit) && task.data(wishes[k], unit);
            }
            if (wishes.length > 0) {
                chains.add(new Chain(unit, wishes, data));
            }
        }
    }

    private int[][] places(Wish wish) {
        List<String> choice = controllersOf(task, wish);
        int[][] prices = new int[choice.size()][task.spots().size()];
        for (int k = 0; k < prices.length; k++) {
            Arrays.fill(prices[k], NONE);
            for (int spot : task.options(wish, choice.get(k))) {
                prices[k][spot] = task.price(wish, spot, choice.get(k));
            }
        }
        return prices;
    }

    /** The controllers that a wish's bus may have; null alone for a wish on no bus. */
    static List<String> controllersOf(Task task, Wish wish) {
        return wish.bus() == null ? Arrays.asList((String) null) : task.controllersOf(wish.bus());
    }

    private int[] strips() {
        List<String> names = new ArrayList<>();
        int[] strips = new int[task.spots().size()];
        for (int i = 0; i < strips.length; i++) {
            Spot spot = task.spots().get(i);
            if (spot.pin() != null && !names.contains(spot.pin().group())) {
                names.add(spot.pin().group());
            }
            strips[i] = spot.pin() == null ? -1 : names.indexOf(spot.pin().group());
        }
        return strips;
    }

    /** Of a place for a wish by itself, its bus on the k-th of its controllers; {@link #NONE} where it cannot be. */
    int of(int wish, int k, int spot) {
        return place[wish][k][spot];
    }

    /** The places that a wish can have with the k-th controller. */
    int[] options(int wish, int k) {
        int[] prices = place[wish][k];
        return IntStream.range(0, prices.length).filter(s -> prices[s] != NONE).toArray();
    }

    /** Of the cheapest controller for each wish and place; {@link #NONE} where it cannot be with any. */
    int[][] cheapest() {
        int[][] cheapest = new int[place.length][task.spots().size()];
        for (int i = 0; i < place.length; i++) {
            Arrays.fill(cheapest[i], NONE);
            for (int[] prices : place[i]) {
                for (int s = 0; s < prices.length; s++) {
                    cheapest[i][s] = Math.min(cheapest[i][s], prices[s]);
                }
            }
        }
        return cheapest;
    }

    List<Chain> chains() {
        return chains;
    }

    /** Of the k-th line of a chain and the next, by their places: how far apart, and data bits out of order. Not to be changed. */
    int[][] between(Chain chain, int k) {
        return chain.data()[k] ? apartOrOutOfOrder : apart;
    }

    /** Whether lines have a price between them at all. */
    boolean betweenCounts() {
        return task.weights().of(Criterion.NEAR) + task.weights().of(Criterion.PORT) > 0;
    }

    /** 1 or -1 by the way that the strip is gone along; 0 across strips. */
    int way(int here, int there) {
        return way[here][there];
    }

    /** Of each wire that crosses another one of its part. */
    int crossed() {
        return crossed;
    }

    /** The strip of each place, from 0; -1 for a line of an expander. */
    int[] strip() {
        return strip;
    }

    /** Of each strip of a part beyond the first. */
    int furtherStrip() {
        return furtherStrip;
    }

    /** Of a controller for a bus. */
    int of(Bus bus, String controller) {
        return task.weights().price(Points.bus(task.circuit(), bus, controller));
    }

    /** What the lines of a part cost each other on these places. */
    int of(Chain chain, int[] places) {
        int[] wishes = chain.wishes();
        int sum = 0;
        int up = 0;
        int down = 0;
        long used = 0;
        for (int k = 0; k < wishes.length; k++) {
            int here = places[wishes[k]];
            if (strip[here] >= 0) {
                used |= 1L << strip[here];
            }
            if (k + 1 < wishes.length) {
                int there = places[wishes[k + 1]];
                sum += between(chain, k)[here][there];
                up += way[here][there] > 0 ? 1 : 0;
                down += way[here][there] < 0 ? 1 : 0;
            }
        }
        return sum + Math.min(up, down) * crossed + Math.max(0, Long.bitCount(used) - 1) * furtherStrip;
    }
}
