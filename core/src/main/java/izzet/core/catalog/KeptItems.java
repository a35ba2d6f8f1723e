package izzet.core.catalog;

import izzet.core.quantity.Digest;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Items as this build has read them from their documents, packed, so that a later start need not check and bind the same documents
 * again. A pack of another build, of other documents or a damaged one counts as none.
 */
public final class KeptItems {

    /** The build's own number, below the folder of the compiled classes: any change of a class or a schema makes another. */
    private static final String BUILD = "catalog/build.id";

    private static final int LENGTH = 32;

    private final MessageDigest documents = Digest.begun();

    public KeptItems() {
        try (InputStream in = KeptItems.class.getClassLoader().getResourceAsStream(BUILD)) {
            if (in == null) {
                throw new IllegalStateException("The class path has no " + BUILD + "; the build writes it.");
            }
            documents.update(in.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Adds the document of one item; their order counts. */
    public KeptItems document(String name, String text) {
        for (String part : new String[] {name, text}) {
            byte[] utf8 = part.getBytes(StandardCharsets.UTF_8);
            documents.update(ByteBuffer.allocate(Integer.BYTES).putInt(0, utf8.length));
            documents.update(utf8);
        }
        return this;
    }

    /** @param items as read from the documents, each with its own */
    public byte[] pack(List<? extends CatalogItem> items) {
        byte[] packed = CatalogPack.of(items);
        return ByteBuffer.allocate(2 * LENGTH + packed.length)
                .put(told())
                .put(Digest.of(packed))
                .put(packed)
                .array();
    }

    /** The items that the documents hold, in their order; empty when the pack is not of this build and these documents. */
    public Optional<List<CatalogItem>> unpack(byte[] kept) {
        if (kept.length < 2 * LENGTH || !Arrays.equals(told(), Arrays.copyOf(kept, LENGTH))) {
            return Optional.empty();
        }
        byte[] packed = Arrays.copyOfRange(kept, 2 * LENGTH, kept.length);
        if (!Arrays.equals(Digest.of(packed), Arrays.copyOfRange(kept, LENGTH, 2 * LENGTH))) {
            return Optional.empty();
        }
        try {
            return Optional.of(CatalogPack.items(packed));
        } catch (IllegalStateException | IllegalArgumentException | ClassCastException | BufferUnderflowException e) {
            // Classes that were compiled anew and not yet numbered by the build.
            return Optional.empty();
        }
    }

    private byte[] told() {
        try {
            return ((MessageDigest) documents.clone()).digest();
        } catch (CloneNotSupportedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Writes the number of a build beside its classes. */
    static void number(Path classes) throws IOException {
        Path number = classes.resolve(BUILD);
        Files.deleteIfExists(number);
        MessageDigest all = Digest.begun();
        try (Stream<Path> files = Files.walk(classes)) {
            for (Path file : files.filter(Files::isRegularFile).sorted().toList()) {
                all.update(classes.relativize(file).toString().getBytes(StandardCharsets.UTF_8));
                all.update(Files.readAllBytes(file));
            }
        }
        Files.write(number, all.digest());
    }
}
