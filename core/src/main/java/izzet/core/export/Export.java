package izzet.core.export;

import izzet.core.circuit.Circuit;
import izzet.core.code.CodeTarget;
import izzet.core.discovery.Discovery;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A way to take a plan away as text. Has a public constructor without arguments; {@link Discovery} finds it. */
public interface Export {

    /** In addresses, such as {@code wiring.csv}; the file's name ends with its last part. */
    String kind();

    /** What it is, for people. */
    String title();

    /** Media type without parameters; the text is UTF-8. */
    String type();

    /** Why this plan has none; empty where it has one. */
    default Optional<String> missing(Circuit circuit) {
        return Optional.empty();
    }

    /** Only where nothing is missing. */
    String text(Circuit circuit, Maker maker);

    /** All of {@code export.kinds}, and each language that there is a template for. */
    static List<Export> all() {
        List<Export> all = new ArrayList<>(Discovery.instances(Export.class, Export.class.getPackageName() + ".kinds"));
        CodeTarget.all().forEach(t -> all.add(new CodeExport(t)));
        return all;
    }
}
