package izzet.core.display;

import izzet.core.discovery.Discovery;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/** All families of commands that are known: classes of {@code families}, and files of registers. */
public final class Interpreters {

    private static final Map<String, Interpreter> BY_FAMILY = read();

    private Interpreters() {}

    private static Map<String, Interpreter> read() {
        Map<String, Interpreter> all = new TreeMap<>();
        List<Interpreter> classes =
                Discovery.instances(Interpreter.class, Interpreters.class.getPackageName() + ".families");
        for (Interpreter one : classes) {
            one.speaks().forEach(family -> all.put(family, one));
        }
        Discovery.texts("/display/registers", ".json").forEach((file, text) -> {
            RegisterMap map = RegisterMap.read(file, text);
            all.put(map.speaks(), new RegisterInterpreter(map));
        });
        return all;
    }

    /** @return empty when the family is not known, or null */
    public static Optional<Interpreter> of(String family) {
        return family == null ? Optional.empty() : Optional.ofNullable(BY_FAMILY.get(family));
    }

    public static SortedSet<String> families() {
        return new TreeSet<>(BY_FAMILY.keySet());
    }
}
