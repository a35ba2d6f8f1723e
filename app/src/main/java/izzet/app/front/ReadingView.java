package izzet.app.front;

import izzet.core.catalog.Board;
import izzet.core.catalog.Catalog;
import izzet.core.catalog.Part;
import izzet.core.find.QuickList;
import izzet.core.quantity.Hex;
import java.util.ArrayList;
import java.util.List;

/**
 * A quick list as the front page shows what was understood.
 *
 * @param board id of the board that is chosen: by the words, or by hand before; empty for none
 * @param doubtfulBoards those that fit the words as well as the chosen one, with it; empty when there is no doubt
 */
record ReadingView(
        String text, List<Row> rows, String board, String boardWords, List<Board> doubtfulBoards, List<String> unread) {

    /**
     * @param choices what fits the words, the likeliest first; one when there is no doubt
     * @param way id of the interface that the words tell; empty for none
     * @param address as typed; empty for none
     */
    record Row(QuickList.Item item, Part part, List<Part> choices, String way, String wayName, String address) {}

    /** @param chosen id of a board chosen by hand, for words that name none; empty for none */
    static ReadingView of(String text, QuickList.Reading reading, String chosen, Catalog catalog) {
        List<Row> rows = reading.parts().stream().map(i -> row(i, catalog)).toList();
        List<Board> doubtful = new ArrayList<>();
        if (reading.board() != null && !reading.boardAlternatives().isEmpty()) {
            catalog.board(reading.board()).ifPresent(doubtful::add);
            reading.boardAlternatives().forEach(b -> catalog.board(b).ifPresent(doubtful::add));
        }
        boolean among = doubtful.stream().anyMatch(b -> b.id().equals(chosen));
        String board = reading.board() == null || among ? chosen : reading.board();
        return new ReadingView(text, rows, board, reading.boardWords(), doubtful, reading.unread());
    }

    private static Row row(QuickList.Item item, Catalog catalog) {
        List<Part> choices = new ArrayList<>();
        catalog.part(item.part()).ifPresent(choices::add);
        item.alternatives().forEach(a -> catalog.part(a).ifPresent(choices::add));
        Part part = choices.get(0);
        String way = item.interfaceId() == null ? "" : item.interfaceId();
        String wayName = part.interfaces().size() > 1
                ? part.interfaceOf(way).map(Part.Interface::name).orElse("")
                : "";
        return new Row(item, part, choices, way, wayName, item.address() == null ? "" : Hex.of(item.address()));
    }
}
