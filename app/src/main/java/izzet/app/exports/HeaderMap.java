package izzet.app.exports;

import izzet.app.drawing.HeaderDrawing;
import izzet.core.circuit.Circuit;
import izzet.core.circuit.Net;
import izzet.core.circuit.Wire;
import izzet.core.plan.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** The board's header as it lies, with what hangs on each pin. */
record HeaderMap(int width, int height, HeaderDrawing header, List<Row> rows) {

    private static final int LETTER = 7;
    private static final int BESIDE = 20;
    private static final int MOST_LETTERS = 60;

    /** @param users lines on the pin; empty for a free one */
    public record Row(HeaderDrawing.Hole hole, String users, String text, String anchor, int textX) {}

    static HeaderMap of(Circuit circuit) {
        HeaderDrawing header = HeaderDrawing.of(circuit.board());
        List<Row> rows = new ArrayList<>();
        int longest = 0;
        for (HeaderDrawing.Hole hole : header.holes()) {
            String users = circuit.board().pins().stream()
                    .filter(p -> p.label().equals(hole.label()) && p.position().equals(hole.place()))
                    .findFirst()
                    .flatMap(p -> circuit.netOf(Target.pin(p.id())))
                    .map(Net::wires)
                    .orElse(List.of())
                    .stream()
                    .map(Wire::label)
                    .collect(Collectors.joining(", "));
            String cut = users.length() > MOST_LETTERS ? users.substring(0, MOST_LETTERS - 1) + "…" : users;
            String text = hole.label() + (cut.isEmpty() ? "" : "  " + cut);
            boolean left = hole.side().equals("left");
            longest = Math.max(longest, text.length());
            rows.add(new Row(hole, users, text, left ? "end" : "start", left ? hole.x() - BESIDE : hole.x() + BESIDE));
        }
        int room = BESIDE + LETTER * longest;
        int left = header.holes().stream().mapToInt(HeaderDrawing.Hole::x).min().orElse(0) - room;
        int right =
                header.holes().stream().mapToInt(HeaderDrawing.Hole::x).max().orElse(0) + room;
        return new HeaderMap(right - left, header.height(), header, rows).moved(-left);
    }

    private HeaderMap moved(int dx) {
        List<Row> moved = rows.stream()
                .map(r -> new Row(
                        new HeaderDrawing.Hole(
                                r.hole().x() + dx,
                                r.hole().y(),
                                r.hole().place(),
                                r.hole().label(),
                                r.hole().side(),
                                r.hole().look()),
                        r.users(),
                        r.text(),
                        r.anchor(),
                        r.textX() + dx))
                .toList();
        List<HeaderDrawing.Outline> outlines = header.outlines().stream()
                .map(o -> new HeaderDrawing.Outline(o.x() + dx, o.y(), o.width(), o.height()))
                .toList();
        return new HeaderMap(width, height, new HeaderDrawing(width, height, List.of(), outlines), moved);
    }

    /** Pins of an edge from the top, as tables show them. */
    List<Row> edge(String side) {
        return rows.stream().filter(r -> r.hole().side().equals(side)).toList();
    }
}
