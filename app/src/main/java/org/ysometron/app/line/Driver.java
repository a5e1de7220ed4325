package org.ysometron.app.line;

import java.util.Optional;
import java.util.function.Consumer;
import org.ysometron.instruments.wire.Ledger;

/** A way by which instruments reach the application. Another one is another bean of this type; nothing else knows of it. */
public interface Driver {

    /** By what it is called in addresses: line, folder. */
    String way();

    /** What is written behind it, for whoever adds one: "host and port, 192.168.4.20:7401". */
    String hint();

    /** What is wrong with a place; empty where it could be listened to. */
    Optional<String> problem(String place);

    /**
     * Begins to listen, in threads of its own.
     *
     * @param ledger where what comes is kept
     * @param said takes what happened, in words; an empty text where all is well again
     */
    Listening open(String place, Ledger ledger, Consumer<String> said);

    /** What listens until it is closed. */
    interface Listening extends AutoCloseable {

        @Override
        void close();
    }
}
