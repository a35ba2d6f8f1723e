package izzet.core.bench;

import izzet.core.catalog.Catalog;
import izzet.core.circuit.Circuit;
import izzet.core.discovery.Discovery;
import izzet.core.plan.Plan;
import izzet.core.plan.PlanDocument;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Tasks that ship with the application, easier ones first: a plan that is right, and what somebody tells who stands before the desk. Each file
 * below {@code /practice} holds a plan and its stories. Immutable.
 */
public final class Stories {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final List<Story> all;

    private Stories(List<Story> all) {
        this.all = List.copyOf(all);
    }

    /**
     * @param number from 1, in the order in which they grow harder
     * @param told what somebody says who does not know what is wrong
     * @param place where the fault is
     */
    public record Story(int number, String title, String told, Plan plan, Fault fault, Fault.Place place) {

        /** As a task on a plan that is the story's own. */
        public Practice.Task task() {
            return new Practice.Task(number, fault, place, told);
        }
    }

    /** @throws IllegalStateException naming the file and the story whose fault its plan cannot have */
    public static Stories shipped(Catalog catalog) {
        List<Story> all = new ArrayList<>();
        Discovery.texts("/practice", ".json").forEach((file, text) -> {
            JsonNode tree = JSON.readTree(text);
            Plan plan = new PlanDocument().read(tree.get("plan").toString(), catalog);
            Circuit circuit = new Circuit(plan, catalog);
            for (JsonNode story : tree.get("stories")) {
                String told = story.get("fault").asString();
                String id = told.substring(0, told.indexOf('@'));
                String key = told.substring(id.length() + 1);
                Fault fault = Faults.of(circuit).stream()
                        .filter(f -> f.id().equals(id))
                        .findFirst()
                        .orElseThrow(() -> new IllegalStateException(file + ": no fault " + told));
                Fault.Place place = fault.places(circuit).stream()
                        .filter(p -> p.key().equals(key))
                        .findFirst()
                        .orElseThrow(() -> new IllegalStateException(file + ": no place " + told));
                all.add(new Story(
                        story.get("number").asInt(),
                        story.get("title").asString(),
                        story.get("told").asString(),
                        plan,
                        fault,
                        place));
            }
        });
        all.sort(Comparator.comparingInt(Story::number));
        return new Stories(all);
    }

    public List<Story> all() {
        return all;
    }

    public Optional<Story> number(int number) {
        return all.stream().filter(s -> s.number() == number).findFirst();
    }
}
