package izzet.core.draw;

import izzet.core.discovery.Discovery;
import java.util.List;
import java.util.Optional;

/** All tools that are known. */
public final class Tools {

    private static final List<Tool> ALL =
            List.copyOf(Discovery.instances(Tool.class, Tools.class.getPackageName() + ".tools"));

    private Tools() {}

    public static List<Tool> all() {
        return ALL;
    }

    public static Optional<Tool> of(String id) {
        return ALL.stream().filter(t -> t.id().equals(id)).findFirst();
    }
}
