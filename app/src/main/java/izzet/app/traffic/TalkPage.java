package izzet.app.traffic;

import izzet.core.record.Conversation;
import java.util.ArrayList;
import java.util.List;

/**
 * One page of a conversation that streams by, so that a long one is never whole in memory: the page with a number, the one that holds
 * a line, or the one that holds what was said at a time. Not thread-safe; one per request.
 */
final class TalkPage {

    static final int SIZE = 200;

    private final int wantedPage;
    private final int wantedLine;
    private final long wantedTick;
    private final int afterLine;
    private final List<Conversation.Line> lines = new ArrayList<>();
    private int first;
    private int total;
    private int chosen = -1;
    private boolean settled;

    private TalkPage(int wantedPage, int wantedLine, long wantedTick, int afterLine) {
        this.afterLine = afterLine;
        this.wantedPage = wantedPage;
        this.wantedLine = wantedLine;
        this.wantedTick = wantedTick;
    }

    /**
     * @param page from 1; counts when neither a line nor a time is asked for
     * @param line from 0; below 0 when none is asked for
     * @param tick of the record; below 0 when none is asked for
     */
    static TalkPage holding(int page, int line, long tick) {
        return new TalkPage(Math.max(1, page), line, line >= 0 ? -1 : tick, Integer.MIN_VALUE);
    }

    /** The page of the first line behind one that was not heard; -1 for the first of all. */
    static TalkPage troubleAfter(int line) {
        return new TalkPage(1, -1, -1, line);
    }

    void add(Conversation.Line line) {
        if (total % SIZE == 0 && !settled) {
            lines.clear();
            first = total;
        }
        if (total < first + SIZE) {
            lines.add(line);
            settle(line);
        }
        total++;
    }

    private void settle(Conversation.Line line) {
        if (settled) {
            return;
        }
        if (afterLine != Integer.MIN_VALUE) {
            settled = total > afterLine && !line.heard();
        } else if (wantedLine >= 0) {
            settled = total == wantedLine;
        } else if (wantedTick >= 0) {
            settled = line.end() >= wantedTick;
        } else {
            settled = total == (wantedPage - 1) * SIZE;
            return;
        }
        if (settled) {
            chosen = total;
        }
    }

    /** The page asked for; the last one where the conversation ends before. */
    List<Conversation.Line> lines() {
        return lines;
    }

    /** Index of the first line of the page. */
    int first() {
        return first;
    }

    /** Lines of the whole conversation. */
    int total() {
        return total;
    }

    /** From 1. */
    int page() {
        return first / SIZE + 1;
    }

    int pages() {
        return Math.max(1, (total + SIZE - 1) / SIZE);
    }

    /** Index of the line asked for by number or time; -1 when none was, or there is none. */
    int chosen() {
        return chosen;
    }
}
