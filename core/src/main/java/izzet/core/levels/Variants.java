package izzet.core.levels;

import izzet.core.catalog.Part;
import izzet.core.catalog.PartLine;
import izzet.core.catalog.Role;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Unit;
import izzet.core.plan.LooseEnds;
import izzet.core.plan.PlacedPart;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Parts of a plan that are sold as look-alikes: what changes when another one lies in the bag. Wires and the program stay as planned. Not
 * thread-safe.
 */
public final class Variants {

    /** How the shelf's files call what is sent instead. */
    private static final List<String> SENT_INSTEAD = List.of("look-alike", "other-family", "other-header");

    private static final double WHOLE = 100;

    private final Circuit planned;
    private final double percent;
    private final Function<Circuit, List<String>> trouble;
    private final Map<String, List<Variant>> byPart;
    private final Map<List<Variant>, List<String>> known = new HashMap<>();

    /** Another part in the place of a planned one. */
    public record Variant(String part, String name, Part with) {}

    /**
     * @param percent of such parts that come otherwise
     * @param trouble what would be to mend in a circuit, besides what is in the planned one
     */
    public Variants(Circuit planned, double percent, Function<Circuit, List<String>> trouble) {
        this.planned = planned;
        this.percent = percent;
        this.trouble = trouble;
        this.byPart = percent <= 0
                ? Map.of()
                : planned.units().stream()
                        .flatMap(unit -> of(planned, unit))
                        .collect(Collectors.groupingBy(Variant::part, TreeMap::new, Collectors.toList()));
    }

    /** Every part comes as it is planned. */
    public static Variants none(Circuit planned) {
        return new Variants(planned, 0, c -> List.of());
    }

    private static Stream<Variant> of(Circuit planned, Unit unit) {
        return SENT_INSTEAD.stream()
                .map(unit.part().kin()::get)
                .filter(Objects::nonNull)
                .distinct()
                .flatMap(id -> planned.catalog().part(id).stream())
                .filter(p -> p.interfaceOf(unit.placed().interfaceId())
                        .filter(i -> i.bus() == unit.variant().bus())
                        .isPresent())
                .map(p -> new Variant(unit.id(), unit.name(), p));
    }

    List<Variant> all() {
        return byPart.values().stream().flatMap(List::stream).toList();
    }

    List<Variant> draw(Random random) {
        List<Variant> drawn = new ArrayList<>();
        byPart.values().forEach(others -> {
            if (random.nextDouble() * WHOLE < percent) {
                drawn.add(others.get(random.nextInt(others.size())));
            }
        });
        return drawn;
    }

    /** A plan with them in it; the program goes on speaking to the addresses of the planned ones. */
    Plan into(Plan plan, List<Variant> drawn) {
        if (drawn.isEmpty()) {
            return plan;
        }
        Map<String, Variant> by = drawn.stream().collect(Collectors.toMap(Variant::part, v -> v));
        Plan changed = plan.withParts(plan.parts().stream()
                .map(p -> by.containsKey(p.id()) ? as(p, by.get(p.id()).with()) : p)
                .toList());
        return new PlanEdit.Together("", LooseEnds.of(changed, planned.catalog())).apply(changed);
    }

    private PlacedPart as(PlacedPart placed, Part with) {
        Map<String, String> straps = placed.straps().entrySet().stream()
                .filter(e -> with.straps().stream()
                        .anyMatch(s -> s.id().equals(e.getKey())
                                && s.settings().stream().anyMatch(x -> x.id().equals(e.getValue()))))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        Integer address = planned.unit(placed.id()).flatMap(planned::addressOf).orElse(placed.address());
        return placed.withPart(with.id(), with.version(), placed.interfaceId(), straps)
                .withAddress(address);
    }

    /** What is wrong with them: what the check finds anew, and what the same program shows on another glass. */
    List<String> trouble(List<Variant> drawn) {
        if (drawn.isEmpty()) {
            return List.of();
        }
        return known.computeIfAbsent(List.copyOf(drawn), d -> {
            List<String> all = new ArrayList<>();
            d.forEach(v -> all.addAll(differences(planned.unit(v.part()).orElseThrow(), v.with())));
            all.addAll(trouble.apply(new Circuit(into(planned.plan(), d), planned.catalog())));
            return List.copyOf(all);
        });
    }

    private static List<String> differences(Unit unit, Part with) {
        List<String> all = new ArrayList<>();
        Part.Glass is = unit.part().glass();
        Part.Glass other = with.glass();
        if (is != null && other != null && !Objects.equals(is.family(), other.family())) {
            all.add("Its controller is another one: the set-up of the program is not made for it.");
        }
        if (is != null && other != null && zero(is.offsetColumns()) != zero(other.offsetColumns())) {
            all.add("Its picture begins " + zero(other.offsetColumns()) + " columns in, not " + zero(is.offsetColumns())
                    + ".");
        }
        if (!header(unit.part()).equals(header(with))) {
            all.add("Its header runs " + String.join(", ", header(with)) + ": plugged into the same places, "
                    + (reversed(unit.part(), with)
                            ? "its supply is reversed, which may destroy it."
                            : "lines are exchanged."));
        }
        return all;
    }

    private static int zero(Integer value) {
        return value == null ? 0 : value;
    }

    /** Whether ground lies where the planned one has its supply. */
    private static boolean reversed(Part planned, Part with) {
        return planned.lines().stream()
                .filter(l -> l.role() == Role.SUPPLY && l.header() != null)
                .anyMatch(l -> with.lines().stream()
                        .anyMatch(o -> o.role() == Role.GROUND && l.header().equals(o.header())));
    }

    private static List<String> header(Part part) {
        return part.lines().stream()
                .filter(l -> l.header() != null)
                .sorted(Comparator.comparing(PartLine::header))
                .map(PartLine::id)
                .toList();
    }
}
