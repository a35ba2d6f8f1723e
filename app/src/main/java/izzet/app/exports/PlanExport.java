package izzet.app.exports;

import izzet.app.jobs.Job;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/** A way to take a plan away as a file. A new one is a bean. */
interface PlanExport {

    /** In addresses, such as {@code sheet.pdf}. */
    String kind();

    String title();

    /** Media type. */
    String type();

    /** Why this plan has none; empty where it has one. */
    default Optional<String> missing(ExportSource source) {
        return Optional.empty();
    }

    byte[] make(ExportSource source);

    /** As {@link #make(ExportSource)}; what takes longer says how far it has come, and ends when it is stopped. */
    default byte[] make(ExportSource source, Job<?> job) {
        return make(source);
    }

    /** Files that lie beside it where all are taken together, by their names; each is made when it is written. */
    default Map<String, Supplier<byte[]>> beside(ExportSource source) {
        return Map.of();
    }
}
