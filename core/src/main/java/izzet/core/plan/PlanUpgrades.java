package izzet.core.plan;

import java.util.List;
import java.util.function.UnaryOperator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Brings plan documents of earlier versions to the present one, a version at a time. */
final class PlanUpgrades {

    /** The step at place n makes version n + 2 of a document of version n + 1; with each new version of the format one is added. */
    static final List<UnaryOperator<ObjectNode>> STEPS = List.of();

    private final List<UnaryOperator<ObjectNode>> steps;

    PlanUpgrades(List<UnaryOperator<ObjectNode>> steps) {
        this.steps = List.copyOf(steps);
    }

    /** The document as the present version writes it. One whose version is missing or unknown stays as it is: the schema tells. */
    ObjectNode upgraded(ObjectNode document) {
        ObjectNode now = document;
        for (int from = version(document); from >= 1 && from <= steps.size(); from++) {
            now = steps.get(from - 1).apply(now).put("version", from + 1);
        }
        return now;
    }

    private static int version(ObjectNode document) {
        JsonNode version = document.path("version");
        return version.isIntegralNumber() && version.canConvertToInt() ? version.intValue() : 0;
    }
}
