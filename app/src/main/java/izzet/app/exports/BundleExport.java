package izzet.app.exports;

import izzet.app.jobs.Job;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Everything in one file. */
@Component
class BundleExport implements PlanExport {

    private static final String KIND = "bundle.zip";
    /** In bytes; the file is made in the memory. */
    private static final long MOST_BESIDE = 25L << 20;

    private final ObjectProvider<PlanExports> exports;

    BundleExport(ObjectProvider<PlanExports> exports) {
        this.exports = exports;
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String title() {
        return "All of these in one file";
    }

    @Override
    public String type() {
        return "application/zip";
    }

    @Override
    public byte[] make(ExportSource source) {
        return make(source, what -> {});
    }

    @Override
    public byte[] make(ExportSource source, Job<?> job) {
        return make(source, what -> {
            job.say(what);
            job.goOn();
        });
    }

    /** @param begins hears of each file before it is made */
    private byte[] make(ExportSource source, Consumer<String> begins) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        List<PlanExport> all = exports.getObject().possible(source).stream()
                .filter(e -> !e.kind().equals(KIND))
                .toList();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < all.size(); i++) {
                PlanExport export = all.get(i);
                begins.accept("File " + (i + 1) + " of " + all.size() + ": " + export.kind() + ".");
                zip.putNextEntry(new ZipEntry(export.kind()));
                zip.write(export.make(source));
                zip.closeEntry();
                beside(export.beside(source), zip, begins);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** As far as there is room; what is left out is named, and is still where it was. */
    private static void beside(Map<String, Supplier<byte[]>> files, ZipOutputStream zip, Consumer<String> begins)
            throws IOException {
        long room = MOST_BESIDE;
        StringBuilder left = new StringBuilder();
        for (Map.Entry<String, Supplier<byte[]>> file : files.entrySet()) {
            begins.accept("Beside it: " + file.getKey() + ".");
            byte[] bytes = room > 0 ? file.getValue().get() : new byte[0];
            room -= bytes.length;
            if (bytes.length == 0 || room < 0) {
                left.append(file.getKey()).append('\n');
                continue;
            }
            zip.putNextEntry(new ZipEntry(file.getKey()));
            zip.write(bytes);
            zip.closeEntry();
        }
        if (!left.isEmpty()) {
            zip.putNextEntry(new ZipEntry("left-out.txt"));
            zip.write(("No room in this file for:\n" + left).getBytes(StandardCharsets.UTF_8));
            zip.closeEntry();
        }
    }
}
