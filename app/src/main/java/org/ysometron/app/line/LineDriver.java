package org.ysometron.app.line;

import java.net.InetSocketAddress;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import org.ysometron.instruments.wire.Ledger;
import org.ysometron.instruments.wire.Receiver;

/** Instruments that speak the line protocol over TCP, one at each place. */
@Component
class LineDriver implements Driver {

    private static final Pattern PLACE = Pattern.compile("([A-Za-z0-9.-]{1,120}|\\[[0-9a-fA-F:]{2,40}]):(\\d{1,5})");

    private static final int LARGEST_PORT = 65_535;

    /** Milliseconds between two attempts. */
    private static final int PATIENCE = 500;

    @Override
    public String way() {
        return "line";
    }

    @Override
    public String hint() {
        return "host and port, such as 192.168.4.20:7401";
    }

    @Override
    public Optional<String> problem(String place) {
        Matcher matcher = PLACE.matcher(place);
        boolean isPlace = matcher.matches() && port(matcher) > 0 && port(matcher) <= LARGEST_PORT;
        return isPlace ? Optional.empty() : Optional.of("'" + place + "' is no " + hint() + ".");
    }

    private static int port(Matcher matcher) {
        return Integer.parseInt(matcher.group(2));
    }

    @Override
    public Listening open(String place, Ledger ledger, Consumer<String> said) {
        Matcher matcher = PLACE.matcher(place);
        if (!matcher.matches()) {
            throw new IllegalArgumentException(place);
        }
        // Looked up anew with each connection: an instrument's address may change while the application runs.
        Receiver receiver =
                new Receiver(() -> new InetSocketAddress(matcher.group(1), port(matcher)), ledger, PATIENCE, said);
        Thread thread = new Thread(receiver, "line " + place);
        thread.setDaemon(true);
        thread.start();
        return receiver::close;
    }
}
