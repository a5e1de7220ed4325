package org.ysometron.instruments.wire;

import java.util.List;

/** Where what came from instruments is kept. */
public interface Ledger {

    /**
     * The last number of an instrument's epoch that is kept; 0 where nothing is.
     *
     * @param from the instrument as it said it was; whoever does not want it throws, and nothing is asked of it
     */
    long last(Message.Hello from);

    /**
     * Keeps lines in their order, all or none. Whoever throws has kept none of them; whoever returns has kept them for good, whatever happens
     * next.
     *
     * @param from the instrument as it said it was
     * @param lines each once, rising by one from behind the last that was kept
     */
    void take(Message.Hello from, List<Message.Numbered> lines);

    /** Something about the instrument that is seen and not kept. */
    default void seen(Message.Hello from, Message.Status status) {}
}
