package izzet.core.bench;

import static org.assertj.core.api.Assertions.assertThat;

import izzet.core.Workbench;
import izzet.core.catalog.BusKind;
import izzet.core.catalog.Part;
import izzet.core.catalog.PartKind;
import izzet.core.display.Glass;
import izzet.core.display.Picture;
import izzet.core.plan.Bus;
import izzet.core.plan.PlanEdit;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every display of the shelf, in every interface that a program can speak to, shows its test picture: bytes, wires and models agree. */
class ShelfOnTheBenchTest {

    /** Tried in turn, until one feeds it and has pins enough. */
    private static final List<String> BOARDS = List.of("mcu-dual-40", "mcu-8bit-5v-14-6", "sbc-40-pin");

    static Stream<String> displays() {
        return Workbench.CATALOG.parts().values().stream()
                .filter(p -> p.kind() == PartKind.DISPLAY)
                .flatMap(p -> p.interfaces().stream()
                        .filter(i -> i.bus() != BusKind.RGB)
                        .map(i -> p.id() + " " + i.id()));
    }

    private static Workbench planned(String board, String display, boolean made) {
        String[] words = display.split(" ");
        Workbench bench = Workbench.on(board).with("sign", words[0], words[1]);
        if (made) {
            for (Bus bus : List.copyOf(bench.plan().buses())) {
                bench.edit(new PlanEdit.PutBus(new Bus(bus.id(), bus.kind(), bus.name(), null, bus.clockHz())));
            }
        }
        return bench;
    }

    private static DeskRun.Shown shown(String display, boolean made) {
        List<String> why = new ArrayList<>();
        for (String board : BOARDS) {
            Workbench bench = planned(board, display, made);
            DeskRun.Shown shown = DeskRun.of(Desk.of(bench.circuit())).get(0);
            // The dial of a contrast line is another part, and turned by hand.
            if (shown.why().isEmpty() || shown.why().contains("contrast")) {
                return shown;
            }
            why.add(board + ": " + shown.why());
        }
        throw new AssertionError(display + " shows nothing: " + why);
    }

    @ParameterizedTest
    @MethodSource("displays")
    void itsProgramPutsThePictureOnItsGlass(String display) {
        Part part = Workbench.CATALOG.part(display.split(" ")[0]).orElseThrow();
        DeskRun.Shown shown = shown(display, false);
        assertThat(shown.glass().misfits()).as("set-up against the part").isEmpty();
        if (shown.glass() instanceof Glass.Text text) {
            assertThat(text.lines().get(0))
                    .startsWith("Ab")
                    .hasSize(part.glass().columns());
            return;
        }
        Picture seen = ((Glass.Pixels) shown.glass()).seen();
        if (part.glass().shows().equals("characters")) {
            assertThat(seen.rgb()).as("segments").contains(1);
            return;
        }
        int wide = part.glass().columns();
        int high = part.glass().rows();
        int frame = seen.at(0, 0);
        assertThat(seen.at(1, 1)).as("inside").isNotEqualTo(frame);
        for (int x = 0; x < wide; x++) {
            assertThat(seen.at(x, 0)).as("above %s", x).isEqualTo(frame);
            assertThat(seen.at(x, high - 1)).as("below %s", x).isEqualTo(frame);
        }
        for (int y = 0; y < high; y++) {
            assertThat(seen.at(0, y)).as("left %s", y).isEqualTo(frame);
            assertThat(seen.at(wide - 1, y)).as("right %s", y).isEqualTo(frame);
        }
    }

    /** Whether a controller moves the lines or the program itself: the glass cannot tell. */
    @ParameterizedTest
    @MethodSource("displays")
    void aBusThatTheProgramMakesShowsTheSame(String display) {
        assertThat(shown(display, true).looksLike(shown(display, false))).isTrue();
    }
}
