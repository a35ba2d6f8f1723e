package izzet.core.kernel;

import izzet.core.catalog.Board;
import izzet.core.discovery.Discovery;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.ObjectMapper;

/**
 * How a board's system names its controllers and pins.
 *
 * @param boards ids of catalogue items
 * @param gpio label of the pins' controller in the board's tree
 * @param targets by controller: a label, or a path that begins with {@code /}
 * @param settings lines by controller; {@code {hz}} stands for the clock, {@code {columns}} and others for the
 *     {@link PanelTimes}
 * @param byProgram line for a bus on any pins; null where there is none
 * @param consoleOff lines that free the console's pins; null where not known
 * @param file where the lines go
 * @param devices device file by controller
 * @param pinGiven what besides gives pins to a controller; null for nothing
 */
record KernelBoard(
        List<String> boards,
        String gpio,
        Map<String, String> targets,
        Map<String, List<String>> settings,
        String byProgram,
        List<String> consoleOff,
        String file,
        Map<String, String> devices,
        String pinGiven,
        String source) {

    private static final class Known {
        static final List<KernelBoard> ALL = Discovery.texts("/kernel/boards", ".json").values().stream()
                .map(text -> new ObjectMapper().readValue(text, KernelBoard.class))
                .toList();
    }

    /** Empty for boards without such a system. */
    static Optional<KernelBoard> of(Board board) {
        return Known.ALL.stream().filter(b -> b.boards().contains(board.id())).findFirst();
    }
}
