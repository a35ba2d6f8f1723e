package izzet.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.app.files.Reserve;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.mock.web.MockFilterChain;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;

class DiskRoomTest {

    private final AtomicLong free = new AtomicLong(DiskRoom.LEAST);
    private final DiskRoom room = new DiskRoom(Path.of("/data"), free::get);

    private MockHttpServletResponse send(String method, int bytes) throws Exception {
        MockHttpServletRequest request = new MockHttpServletRequest(method, "/plans/1/connect");
        request.setContent(new byte[bytes]);
        MockHttpServletResponse response = new MockHttpServletResponse();
        room.doFilter(request, response, new MockFilterChain());
        return response;
    }

    @Test
    void changesAreRefusedBeforeTheDiskIsFullAndTakenAgainAfterwards() throws Exception {
        assertThat(send("POST", 0).getStatus()).isEqualTo(200);
        free.set(DiskRoom.LEAST - 1);
        MockHttpServletResponse refused = send("POST", 0);
        assertThat(refused.getStatus()).isEqualTo(507);
        assertThat(refused.getContentAsString())
                .contains("/data")
                .contains("47 MB left")
                .contains("Nothing was saved");
        assertThat(send("GET", 0).getStatus()).isEqualTo(200);
        free.set(DiskRoom.LEAST);
        assertThat(send("DELETE", 0).getStatus()).isEqualTo(200);
    }

    /** Room for reading on a disk that fills is kept while there is plenty. */
    @Test
    void aReserveIsMadeWhereThereIsRoomForIt(@TempDir Path folder) throws Exception {
        AtomicLong plenty = new AtomicLong(DiskRoom.LEAST + Reserve.SIZE);
        DiskRoom real = new DiskRoom(folder, plenty::get);
        MockHttpServletRequest request = new MockHttpServletRequest("POST", "/plans/1/connect");
        real.doFilter(request, new MockHttpServletResponse(), new MockFilterChain());
        assertThat(folder).isEmptyDirectory();
        plenty.incrementAndGet();
        request = new MockHttpServletRequest("POST", "/plans/1/connect");
        real.doFilter(request, new MockHttpServletResponse(), new MockFilterChain());
        Path reserve = folder.resolve("reserve.bin");
        assertThat(reserve).hasSize(Reserve.SIZE);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(reserve)))
                .isEqualTo("rw-------");
    }

    /** A file lies there as it comes and packed. */
    @Test
    void aFileNeedsTwiceItsLength() throws Exception {
        free.set(DiskRoom.LEAST + 1999);
        assertThat(send("POST", 1000).getStatus()).isEqualTo(507);
        free.set(DiskRoom.LEAST + 2000);
        assertThat(send("POST", 1000).getStatus()).isEqualTo(200);
    }
}
