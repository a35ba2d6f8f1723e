package izzet.app.shell;

import izzet.app.files.Reserve;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.LongSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;

/**
 * Refuses changes before the disk is full: a database that cannot write closes itself, and reading ends, too. Reading goes on, and
 * changes are taken again as soon as there is room.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class DiskRoom extends ChangesFilter {

    /** In bytes; what a change, its compaction and a daily backup may need. */
    static final long LEAST = 48L << 20;

    private final Path folder;
    private final LongSupplier room;
    private final Reserve reserve;

    @Autowired
    DiskRoom(@Value("${izzet.data}") String data) {
        this(Path.of(data).toAbsolutePath(), () -> room(Path.of(data).toAbsolutePath()));
    }

    DiskRoom(Path folder, LongSupplier room) {
        this.folder = folder;
        this.room = room;
        this.reserve = Reserve.in(folder);
    }

    /** Bytes free where the data lies; the most where that cannot be told. */
    private static long room(Path folder) {
        try {
            return Files.exists(folder) ? Files.getFileStore(folder).getUsableSpace() : Long.MAX_VALUE;
        } catch (IOException e) {
            return Long.MAX_VALUE;
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        // An upload lies on the disk as it comes and packed beside it.
        long needed = LEAST + 2 * Math.max(0, request.getContentLengthLong());
        long free = room.getAsLong();
        if (free < needed) {
            Refusal.write(
                    request,
                    response,
                    HttpStatus.INSUFFICIENT_STORAGE,
                    "No room on the disk",
                    "The disk with " + folder + " has " + (free >> 20) + " MB left, and this needs " + (needed >> 20)
                            + " MB to be safe. Nothing was saved; make room there and send it again. Reading goes on.");
            return;
        }
        if (free > needed + Reserve.SIZE) {
            reserve.make();
        }
        chain.doFilter(request, response);
    }
}
