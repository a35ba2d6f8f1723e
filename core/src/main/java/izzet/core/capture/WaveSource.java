package izzet.core.capture;

import java.util.List;

/** The stored changes of one line, and what sums them up. */
public interface WaveSource {

    /** No level: the changes themselves. */
    int CHANGES = -1;

    /** The finest level whose nodes in a stretch are few enough to be looked at one by one; {@link #CHANGES} where nothing is summed up. */
    int level(long from, long to);

    /** Nodes of a level that touch a stretch, in order, and the last one before it. */
    List<WaveNode> nodes(int level, long from, long to);

    /** Blocks that touch a stretch, in order, and the last one before it. */
    List<EdgeBlock> blocks(long from, long to);
}
