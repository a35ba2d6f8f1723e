package izzet.core.assign;

import izzet.core.plan.Bus;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;

/**
 * Betters an assignment by moving lines and swapping two, taking a worse one now and then, less and less (simulated annealing: S.
 * Kirkpatrick and others, "Optimization by Simulated Annealing", 1983). Proves nothing; it is a good start for the search that does. Buses
 * keep their controllers. Not thread-safe; one per assignment.
 */
final class Annealing {

    private static final double HOT = 12;
    private static final double COLD = 0.4;
    private static final int LOOKS = 255;

    private final Prices prices;
    private final int[] places;
    private final int[][] price;
    private final int[][] options;
    private final int[][] set;
    private final int[] channel;
    private final boolean[] dims;
    private final int[] holder;
    private final int[][] chainsOf;
    private final Random random;
    private final int fixed;
    private int least;

    /** @param places by wish, allowed ones; @param controllers by bus */
    Annealing(Task task, Prices prices, int[] places, Map<String, String> controllers, long seed) {
        this.prices = prices;
        this.places = places.clone();
        this.random = new Random(seed);
        int wishes = places.length;
        int spots = task.spots().size();
        price = new int[wishes][];
        options = new int[wishes][];
        set = new int[wishes][spots];
        dims = new boolean[wishes];
        chainsOf = new int[wishes][];
        Map<String, Integer> sets = new HashMap<>();
        for (int i = 0; i < wishes; i++) {
            Wish wish = task.wishes().get(i);
            String controller =
                    wish.bus() == null ? null : controllers.get(wish.bus().id());
            int k = Prices.controllersOf(task, wish).indexOf(controller);
            price[i] = new int[spots];
            dims[i] = task.dims(wish);
            for (int s = 0; s < spots; s++) {
                Spot spot = task.spots().get(s);
                boolean disturbs = task.disturbs(wish, spot)
                        .filter(c -> controllers.containsValue(c) || task.fixedInUse(c))
                        .isPresent();
                price[i][s] = disturbs ? Prices.NONE : prices.of(i, k, s);
                set[i][s] = price[i][s] == Prices.NONE
                        ? -1
                        : task.pinSet(wish, spot, controller)
                                .map(name -> sets.computeIfAbsent(name, n -> sets.size()))
                                .orElse(-1);
            }
            // Lines of a bus stay in the pin set that they have: another one would take them all at once.
            int own = set[i][places[i]];
            int row = i;
            options[i] = IntStream.range(0, spots)
                    .filter(s -> price[row][s] != Prices.NONE && set[row][s] == own)
                    .toArray();
            chainsOf[i] = IntStream.range(0, prices.chains().size())
                    .filter(c -> Arrays.stream(prices.chains().get(c).wishes()).anyMatch(w -> w == row))
                    .toArray();
        }
        channel = task.channels();
        holder = new int[spots];
        Arrays.fill(holder, -1);
        for (int i = 0; i < wishes; i++) {
            holder[places[i]] = i;
        }
        int buses = 0;
        for (Bus bus : task.buses()) {
            buses += prices.of(bus, controllers.get(bus.id()));
        }
        fixed = buses;
    }

    int price() {
        int sum = fixed;
        for (int i = 0; i < places.length; i++) {
            sum += price[i][places[i]];
        }
        for (Prices.Chain chain : prices.chains()) {
            sum += prices.of(chain, places);
        }
        return sum;
    }

    /** The price of the best places that were met. */
    int least() {
        return least;
    }

    /**
     * The best places that were met; those given when none are better.
     *
     * @param movesPerWish tried; more find better ones
     */
    int[] run(int movesPerWish, BooleanSupplier stop) {
        int[] best = places.clone();
        int now = price();
        least = now;
        int moves = movesPerWish * places.length;
        double cooling = Math.pow(COLD / HOT, 1.0 / Math.max(1, moves));
        double heat = HOT;
        for (int m = 0; m < moves; m++, heat *= cooling) {
            if ((m & LOOKS) == 0 && stop.getAsBoolean()) {
                break;
            }
            int i = random.nextInt(places.length);
            int to = options[i][random.nextInt(options[i].length)];
            int from = places[i];
            int j = holder[to];
            if (to == from || j >= 0 && !(allowed(j, from))) {
                continue;
            }
            int before = around(i, j);
            put(i, j, from, to);
            int change = around(i, j) - before;
            boolean taken = channelsFree(i, j) && (change <= 0 || random.nextDouble() < Math.exp(-change / heat));
            if (!taken) {
                put(i, j, to, from);
                holder[from] = i;
                holder[to] = j;
                continue;
            }
            now += change;
            if (now < least) {
                least = now;
                best = places.clone();
            }
        }
        return best;
    }

    private boolean allowed(int wish, int spot) {
        return price[wish][spot] != Prices.NONE && set[wish][spot] == set[wish][places[wish]];
    }

    /** Puts a line on a place, and the one that was there, if any, where the first came from. */
    private void put(int i, int j, int from, int to) {
        places[i] = to;
        holder[to] = i;
        holder[from] = j;
        if (j >= 0) {
            places[j] = from;
        }
    }

    /** Everything that depends on where one or two lines are. */
    private int around(int i, int j) {
        int sum = price[i][places[i]];
        for (int chain : chainsOf[i]) {
            sum += prices.of(prices.chains().get(chain), places);
        }
        if (j >= 0) {
            sum += price[j][places[j]];
            for (int chain : chainsOf[j]) {
                if (!among(chainsOf[i], chain)) {
                    sum += prices.of(prices.chains().get(chain), places);
                }
            }
        }
        return sum;
    }

    private static boolean among(int[] chains, int chain) {
        for (int c : chains) {
            if (c == chain) {
                return true;
            }
        }
        return false;
    }

    private boolean channelsFree(int i, int j) {
        return channelFree(i) && (j < 0 || channelFree(j));
    }

    private boolean channelFree(int wish) {
        int own = channel[places[wish]];
        if (!dims[wish] || own < 0) {
            return true;
        }
        for (int other = 0; other < places.length; other++) {
            if (other != wish && dims[other] && channel[places[other]] == own) {
                return false;
            }
        }
        return true;
    }
}
