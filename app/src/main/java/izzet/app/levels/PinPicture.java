package izzet.app.levels;

import izzet.app.drawing.HeaderDrawing;
import izzet.core.catalog.Board;
import izzet.core.catalog.Pin;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The board's outline with a gauge beside each pin that carries something.
 *
 * @param x where the picture begins
 */
public record PinPicture(int x, int width, int height, HeaderDrawing header, List<Bar> bars) {

    private static final int TRACK = 64;
    private static final int WORDS = 92;
    private static final int LETTER = 8;

    /** Where a label begins beside its hole. */
    private static final int BESIDE = 20;

    /**
     * Beside a pin.
     *
     * @param x of its track, {@code from} of the filled part, which grows away from the board
     */
    public record Bar(int x, int y, double from, double part, int wordsX, String anchor, String words, boolean over) {}

    /**
     * @param gauges by the pin's id
     * @return empty where no pin carries anything
     */
    static Optional<PinPicture> of(Board board, Map<String, LevelsController.Gauge> gauges) {
        HeaderDrawing header = HeaderDrawing.of(board);
        List<Bar> bars = new ArrayList<>();
        int letters =
                header.holes().stream().mapToInt(h -> h.label().length()).max().orElse(0);
        int beside = BESIDE + LETTER * letters + 6;
        for (HeaderDrawing.Hole hole : header.holes()) {
            board.pins().stream()
                    .filter(p -> p.label().equals(hole.label()) && p.position().equals(hole.place()))
                    .map(Pin::id)
                    .filter(gauges::containsKey)
                    .findFirst()
                    .ifPresent(id -> bars.add(bar(hole, beside, gauges.get(id))));
        }
        int reach = beside + TRACK + WORDS;
        int left = header.holes().stream().mapToInt(HeaderDrawing.Hole::x).min().orElse(0) - reach;
        int right =
                header.holes().stream().mapToInt(HeaderDrawing.Hole::x).max().orElse(0) + reach;
        return bars.isEmpty()
                ? Optional.empty()
                : Optional.of(new PinPicture(left, right - left, header.height(), header, bars));
    }

    private static Bar bar(HeaderDrawing.Hole hole, int beside, LevelsController.Gauge gauge) {
        double part = TRACK * gauge.share() / 100;
        boolean left = hole.side().equals("left");
        int x = left ? hole.x() - beside - TRACK : hole.x() + beside;
        return new Bar(
                x,
                hole.y() - 5,
                left ? x + TRACK - part : x,
                part,
                left ? x - 6 : x + TRACK + 6,
                left ? "end" : "start",
                gauge.figure(),
                gauge.over());
    }

    public int beside() {
        return BESIDE;
    }
}
