package izzet.app.exports;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Everything in one file. */
@Component
class BundleExport implements PlanExport {

    private static final String KIND = "bundle.zip";

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
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (PlanExport export : exports.getObject().possible(source)) {
                if (!export.kind().equals(KIND)) {
                    zip.putNextEntry(new ZipEntry(export.kind()));
                    zip.write(export.make(source));
                    zip.closeEntry();
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
