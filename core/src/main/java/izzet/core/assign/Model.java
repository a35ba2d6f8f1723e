package izzet.core.assign;

import izzet.core.plan.Bus;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.chocosolver.solver.Solver;
import org.chocosolver.solver.constraints.extension.Tuples;
import org.chocosolver.solver.search.strategy.Search;
import org.chocosolver.solver.search.strategy.selectors.variables.FirstFail;
import org.chocosolver.solver.variables.BoolVar;
import org.chocosolver.solver.variables.IntVar;

/** A task as variables and constraints of the solver. One for each search; not thread-safe. */
final class Model {

    private final Task task;
    private final Prices prices;
    private final org.chocosolver.solver.Model model = new org.chocosolver.solver.Model("pins");
    private final IntVar[] place;
    private final Map<String, IntVar> controller = new LinkedHashMap<>();
    private final List<IntVar> costs = new ArrayList<>();
    private final List<IntVar> bounded = new ArrayList<>();
    private final List<AssignmentBound.Chain> chains = new ArrayList<>();
    private final int[][] cheapest;
    private IntVar total;
    private boolean hopeless;

    /** @param priced whether the price is modelled; a search that only asks whether there is any goes without */
    Model(Task task, Prices prices, boolean priced) {
        this.task = task;
        this.prices = prices;
        place = new IntVar[task.wishes().size()];
        cheapest = prices.cheapest();
        makeControllers(priced);
        for (int i = 0; i < place.length && !hopeless; i++) {
            makePlace(i, priced);
        }
        if (hopeless) {
            return;
        }
        for (Bus bus : task.buses()) {
            tieToController(bus, priced);
        }
        if (place.length > 1) {
            model.allDifferent(place, "AC").post();
        }
        channels();
        disturbances();
        if (priced) {
            prices.chains().forEach(this::geometry);
            makeTotal();
        }
    }

    private void makeControllers(boolean priced) {
        List<IntVar> different = new ArrayList<>();
        for (Bus bus : task.buses()) {
            List<String> choice = task.controllersOf(bus);
            if (choice.isEmpty()) {
                hopeless = true;
                return;
            }
            IntVar which = model.intVar("controller of " + bus.id(), 0, choice.size() - 1);
            controller.put(bus.id(), which);
            // Buses that the program makes are all different; controllers are by their number on the board.
            List<String> all = Points.controllers(task.circuit(), bus.kind());
            int own = 1000 + different.size();
            int[] numbers = choice.stream()
                    .mapToInt(c -> c == null ? own : kindNumber(bus) + all.indexOf(c))
                    .toArray();
            different.add(mapped(which, numbers, "number of " + bus.id()));
            if (priced) {
                int[] of = choice.stream().mapToInt(c -> prices.of(bus, c)).toArray();
                costs.add(mapped(which, of, "price of " + bus.id()));
            }
        }
        if (different.size() > 1) {
            model.allDifferent(different.toArray(IntVar[]::new)).post();
        }
    }

    private static int kindNumber(Bus bus) {
        return 100 * bus.kind().ordinal();
    }

    /** A variable that is what a table says of another one. */
    private IntVar mapped(IntVar of, int[] table, String name) {
        IntVar mapped = model.intVar(name, Arrays.stream(table).distinct().toArray());
        model.element(mapped, table, of).post();
        return mapped;
    }

    private void makePlace(int i, boolean priced) {
        Wish wish = task.wishes().get(i);
        int[] spots = IntStream.range(0, task.spots().size())
                .filter(s -> cheapest[i][s] != Prices.NONE)
                .toArray();
        if (spots.length == 0) {
            hopeless = true;
            return;
        }
        place[i] = model.intVar(wish.toString(), spots);
        if (priced && wish.bus() == null) {
            Tuples tuples = new Tuples(true);
            Set<Integer> prices = new TreeSet<>();
            for (int spot : spots) {
                tuples.add(spot, cheapest[i][spot]);
                prices.add(cheapest[i][spot]);
            }
            IntVar price = priceVar("price of " + wish, prices);
            model.table(new IntVar[] {place[i], price}, tuples).post();
            costs.add(price);
            bounded.add(price);
        }
    }

    private IntVar priceVar(String name, Set<Integer> values) {
        return model.intVar(name, values.stream().mapToInt(Integer::intValue).toArray());
    }

    /** Each line of a bus on a pin that its controller reaches, all from one set where the board wants that. */
    private void tieToController(Bus bus, boolean priced) {
        List<Integer> lines = new ArrayList<>();
        for (int i = 0; i < place.length; i++) {
            if (bus.equals(task.wishes().get(i).bus())) {
                lines.add(i);
            }
        }
        List<String> choice = task.controllersOf(bus);
        Set<String> sets = new LinkedHashSet<>();
        for (int i : lines) {
            for (int k = 0; k < choice.size(); k++) {
                for (int spot : prices.options(i, k)) {
                    task.pinSet(task.wishes().get(i), task.spots().get(spot), choice.get(k))
                            .ifPresent(sets::add);
                }
            }
        }
        List<String> names = new ArrayList<>(sets);
        IntVar set = model.intVar("set of " + bus.id(), 0, Math.max(0, names.size() - 1));
        for (int i : lines) {
            Wish wish = task.wishes().get(i);
            Tuples tuples = new Tuples(true);
            Set<Integer> values = new TreeSet<>();
            for (int k = 0; k < choice.size(); k++) {
                for (int spot : prices.options(i, k)) {
                    int price = priced ? prices.of(i, k, spot) : 0;
                    values.add(price);
                    Optional<String> own = task.pinSet(wish, task.spots().get(spot), choice.get(k));
                    for (int s = 0; s <= Math.max(0, names.size() - 1); s++) {
                        if (own.isEmpty() || names.get(s).equals(own.get())) {
                            tuples.add(k, s, spot, price);
                        }
                    }
                }
            }
            IntVar price = priceVar("price of " + wish, values);
            model.table(new IntVar[] {controller.get(bus.id()), set, place[i], price}, tuples)
                    .post();
            if (priced) {
                costs.add(price);
                bounded.add(price);
            }
        }
    }

    /** Dimmed lines on channels of their own. */
    private void channels() {
        int[] channel = task.channels();
        int[] dimmed = IntStream.range(0, place.length)
                .filter(i -> task.dims(task.wishes().get(i)))
                .toArray();
        for (int a = 0; a < dimmed.length; a++) {
            for (int b = a + 1; b < dimmed.length; b++) {
                apart(place[dimmed[a]], place[dimmed[b]], channel);
            }
        }
    }

    private void apart(IntVar one, IntVar other, int[] channel) {
        Tuples forbidden = new Tuples(false);
        for (int p : one) {
            for (int q : other) {
                if (p != q && channel[p] >= 0 && channel[p] == channel[q]) {
                    forbidden.add(p, q);
                }
            }
        }
        if (forbidden.nbTuples() > 0) {
            model.table(new IntVar[] {one, other}, forbidden).post();
        }
    }

    /** No input on the select of a controller in use. */
    private void disturbances() {
        for (int i = 0; i < place.length; i++) {
            for (int spot : place[i].stream().toArray()) {
                Optional<String> disturbed =
                        task.disturbs(task.wishes().get(i), task.spots().get(spot));
                if (disturbed.isEmpty()) {
                    continue;
                }
                if (task.fixedInUse(disturbed.get())) {
                    model.arithm(place[i], "!=", spot).post();
                }
                for (Bus bus : task.buses()) {
                    int k = task.controllersOf(bus).indexOf(disturbed.get());
                    if (k >= 0) {
                        model.or(model.arithm(place[i], "!=", spot), model.arithm(controller.get(bus.id()), "!=", k))
                                .post();
                    }
                }
            }
        }
    }

    /** Neighbours of a part side by side, uncrossed, in one port; its lines on one side of the board. */
    private void geometry(Prices.Chain chain) {
        int[] wishes = chain.wishes();
        List<IntVar> ways = new ArrayList<>();
        int[][][] between = new int[wishes.length - 1][][];
        for (int k = 0; k < between.length; k++) {
            between[k] = prices.between(chain, k);
            if (prices.betweenCounts()) {
                ways.add(neighbours(wishes[k], wishes[k + 1], between[k]));
            }
        }
        chains.add(new AssignmentBound.Chain(wishes, between));
        if (prices.crossed() > 0 && ways.size() > 1) {
            IntVar[] all = ways.toArray(IntVar[]::new);
            IntVar up = model.intVar("up", 0, all.length);
            IntVar down = model.intVar("down", 0, all.length);
            IntVar fewer = model.intVar("fewer", 0, all.length / 2);
            model.count(1, all, up).post();
            model.count(-1, all, down).post();
            model.min(fewer, up, down).post();
            costs.add(model.mul(fewer, prices.crossed()));
        }
        if (wishes.length > 1 && prices.furtherStrip() > 0) {
            sides(chain);
        }
    }

    private IntVar neighbours(int i, int j, int[][] between) {
        Tuples tuples = new Tuples(true);
        Set<Integer> values = new TreeSet<>();
        for (int p : place[i]) {
            for (int q : place[j]) {
                if (p != q) {
                    values.add(between[p][q]);
                    tuples.add(p, q, between[p][q], prices.way(p, q));
                }
            }
        }
        if (values.isEmpty()) {
            hopeless = true;
            return model.intVar(0);
        }
        IntVar price = priceVar("between", values);
        IntVar way = model.intVar("way", -1, 1);
        model.table(new IntVar[] {place[i], place[j], price, way}, tuples, "CT+")
                .post();
        costs.add(price);
        bounded.add(price);
        return way;
    }

    private void sides(Prices.Chain chain) {
        Map<String, List<BoolVar>> on = new LinkedHashMap<>();
        for (int i : chain.wishes()) {
            Map<String, List<Integer>> strips = new LinkedHashMap<>();
            for (int spot : place[i]) {
                if (task.spots().get(spot).pin() != null) {
                    strips.computeIfAbsent(task.spots().get(spot).pin().group(), g -> new ArrayList<>())
                            .add(spot);
                }
            }
            strips.forEach((strip, spots) -> on.computeIfAbsent(strip, s -> new ArrayList<>())
                    .add(model.member(
                                    place[i],
                                    spots.stream().mapToInt(Integer::intValue).toArray())
                            .reify()));
        }
        List<BoolVar> used = new ArrayList<>();
        on.forEach((strip, any) -> {
            BoolVar one = model.boolVar(chain.unit().id() + " on " + strip);
            model.max(one, any.toArray(BoolVar[]::new)).post();
            used.add(one);
        });
        if (used.size() > 1) {
            IntVar number = model.intVar("strips", 0, used.size());
            model.sum(used.toArray(BoolVar[]::new), "=", number).post();
            IntVar over = model.intVar("more strips", 0, used.size());
            model.max(over, model.offset(number, -1), model.intVar(0)).post();
            IntVar price = model.mul(over, prices.furtherStrip());
            costs.add(price);
            bounded.add(price);
        }
    }

    private void makeTotal() {
        int most = costs.stream().mapToInt(IntVar::getUB).sum();
        int least = costs.stream().mapToInt(IntVar::getLB).sum();
        total = model.intVar("price", least, Math.max(least, most));
        model.sum(costs.toArray(IntVar[]::new), "=", total).post();
        List<IntVar> others = new ArrayList<>(costs);
        others.removeAll(bounded);
        new AssignmentBound(
                        place,
                        cheapest,
                        chains,
                        prices.strip(),
                        prices.furtherStrip(),
                        others.toArray(IntVar[]::new),
                        total)
                .post(model);
    }

    boolean hopeless() {
        return hopeless;
    }

    Solver solver() {
        return model.getSolver();
    }

    IntVar total() {
        return total;
    }

    /** Each solution found must be cheaper than the last. */
    void minimise() {
        model.setObjective(org.chocosolver.solver.Model.MINIMIZE, total);
    }

    /** Only assignments with a bus on this controller; null for one that the program makes. */
    void fix(Bus bus, String chosen) {
        model.arithm(controller.get(bus.id()), "=", task.controllersOf(bus).indexOf(chosen))
                .post();
    }

    /** Only assignments that cost so much at most. */
    void atMost(int price) {
        model.arithm(total, "<=", price).post();
    }

    /** Only assignments that differ from another one in so many places at least. */
    void differsFrom(int[] other, int places) {
        BoolVar[] same = new BoolVar[place.length];
        for (int i = 0; i < place.length; i++) {
            same[i] = model.arithm(place[i], "=", other[i]).reify();
        }
        model.sum(same, "<=", place.length - places).post();
    }

    /** Lines with few places left first, on their cheap places. */
    void search() {
        List<IntVar> vars = new ArrayList<>(controller.values());
        vars.addAll(Arrays.asList(place));
        Map<IntVar, Integer> index = new LinkedHashMap<>();
        for (int i = 0; i < place.length; i++) {
            index.put(place[i], i);
        }
        IntVar[] decided = vars.toArray(IntVar[]::new);
        if (decided.length == 0) {
            return;
        }
        model.getSolver()
                .setSearch(Search.intVarSearch(
                        new FirstFail(model),
                        var -> {
                            Integer i = index.get(var);
                            if (i == null) {
                                return var.getLB();
                            }
                            int best = var.getLB();
                            for (int value = var.getLB(); value != Integer.MAX_VALUE; value = var.nextValue(value)) {
                                if (cheapest[i][value] < cheapest[i][best]) {
                                    best = value;
                                }
                            }
                            return best;
                        },
                        decided));
        for (int i = 0; i < place.length; i++) {
            int now = task.presentSpot(task.wishes().get(i));
            if (now >= 0 && place[i].contains(now)) {
                model.getSolver().addHint(place[i], now);
            }
        }
    }

    int[] places() {
        return Arrays.stream(place).mapToInt(IntVar::getValue).toArray();
    }

    /** The controller of each bus, null for one that the program makes. */
    Map<String, String> controllers() {
        Map<String, String> chosen = new LinkedHashMap<>();
        for (Bus bus : task.buses()) {
            chosen.put(
                    bus.id(),
                    task.controllersOf(bus).get(controller.get(bus.id()).getValue()));
        }
        return chosen;
    }
}
