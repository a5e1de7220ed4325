package org.ysometron.instruments.standin;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;

/** The hand at the instruments that are not there: a page on loopback with what a person would press. */
public final class Panel implements AutoCloseable {

    private static final int LONGEST = 2000;

    private final StandIns all;
    private final HttpServer server;

    /** Answers at once, at a port of loopback; 0 for any that is free. */
    public Panel(StandIns all, int port) throws IOException {
        this.all = all;
        this.server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        server.createContext("/", this::answer);
        server.setExecutor(Executors.newCachedThreadPool(work -> {
            Thread thread = new Thread(work, "panel");
            thread.setDaemon(true);
            return thread;
        }));
        server.start();
    }

    /** Where it answers. */
    public int port() {
        return server.getAddress().getPort();
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String host = String.valueOf(exchange.getRequestHeaders().getFirst("Host"));
            String origin = exchange.getRequestHeaders().getFirst("Origin");
            boolean own = host.matches("(127\\.0\\.0\\.1|localhost)(:\\d+)?");
            // Another site's page must not press for the person who reads it.
            if (!own || (origin != null && !origin.equals("http://" + host))) {
                send(exchange, 403, "Not from here.");
                return;
            }
            if (!exchange.getRequestURI().getPath().equals("/")) {
                send(exchange, 404, "There is one page only.");
                return;
            }
            Map<String, String> asked = exchange.getRequestMethod().equals("POST")
                    ? fields(new String(exchange.getRequestBody().readNBytes(LONGEST), StandardCharsets.UTF_8))
                    : fields(String.valueOf(exchange.getRequestURI().getRawQuery()));
            String said = "";
            if (exchange.getRequestMethod().equals("POST")) {
                said = all.hand(asked.getOrDefault("do", ""));
            }
            boolean plain = "text/plain".equals(exchange.getRequestHeaders().getFirst("Accept"));
            send(exchange, 200, plain ? said : page(asked.getOrDefault("specimen", ""), said));
        } catch (InterruptedException ended) {
            Thread.currentThread().interrupt();
        }
    }

    private static Map<String, String> fields(String encoded) {
        Map<String, String> fields = new HashMap<>();
        for (String pair : encoded.split("&")) {
            int equals = pair.indexOf('=');
            if (equals > 0) {
                fields.put(
                        pair.substring(0, equals),
                        URLDecoder.decode(pair.substring(equals + 1), StandardCharsets.UTF_8));
            }
        }
        return fields;
    }

    private String page(String specimen, String said) {
        StringBuilder page = new StringBuilder(
                "<!DOCTYPE html><html lang=\"en\"><meta charset=\"utf-8\">"
                        + "<title>Instruments that are not there</title><style>body{font:15px sans-serif;margin:1.5rem;max-width:60rem}"
                        + "form{display:inline-block;margin:.15rem}h2{margin:1rem 0 .3rem;font-size:1rem}</style>"
                        + "<h1>Instruments that are not there</h1><p>What a hand would do at the bench. Nothing here knows which field is open.</p>");
        page.append("<p role=\"status\">").append(escaped(said)).append("</p>");
        page.append("<form method=\"get\"><label>Specimen in hand <input name=\"specimen\" list=\"known\" value=\"")
                .append(escaped(specimen))
                .append("\"></label> <button>Take it</button><datalist id=\"known\">");
        all.truth().specimens().forEach(one -> page.append("<option>").append(escaped(one)));
        page.append("</datalist></form>");
        Map<String, Double> known = all.truth().of(specimen);
        for (StandIn one : all.list()) {
            String serial = one.model().serial();
            page.append("<h2>")
                    .append(serial)
                    .append(", ")
                    .append(one.model().kind())
                    .append("</h2>");
            for (String field : known.keySet()) {
                if (one.model().measures(field)) {
                    button(page, specimen, "measure " + serial + " " + specimen + " " + field, field.replace('-', ' '));
                }
            }
            if (one.model().kind().equals("diameter-gauge")) {
                button(page, specimen, "wind " + serial + " 60", "wind 60 m");
            }
            if (one.model().kind().equals("thermometer") && known.containsKey("onset")) {
                button(page, specimen, "heat " + serial + " " + specimen, "heat " + specimen + " under its load");
            }
            if (one.model().kind().equals("pull-tester")
                    && all.truth().bar(specimen).isPresent()) {
                button(page, specimen, "test " + serial + " " + specimen, "Pull " + specimen);
            }
            page.append("<form method=\"post\"><input type=\"hidden\" name=\"specimen\" value=\"")
                    .append(escaped(specimen))
                    .append("\"><label>or type what a hand does <input name=\"do\" size=\"30\" value=\"press ")
                    .append(serial)
                    .append(" \"></label> <button>Do it</button></form>");
            List.of("unit", "zero", "again").forEach(what -> button(page, specimen, what + " " + serial, what));
            button(page, specimen, "battery " + serial + " low", "battery low");
            button(page, specimen, "battery " + serial + " new", "new battery");
        }
        return page.append("<p>").append(escaped(StandIns.HELP)).append("</p>").toString();
    }

    private static void button(StringBuilder page, String specimen, String what, String words) {
        page.append("<form method=\"post\"><input type=\"hidden\" name=\"specimen\" value=\"")
                .append(escaped(specimen))
                .append("\"><input type=\"hidden\" name=\"do\" value=\"")
                .append(escaped(what))
                .append("\"><button>")
                .append(escaped(words))
                .append("</button></form>");
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }

    private static void send(HttpExchange exchange, int status, String body) throws IOException {
        byte[] bytes = body.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders()
                .set("Content-Type", (body.startsWith("<") ? "text/html" : "text/plain") + "; charset=utf-8");
        exchange.sendResponseHeaders(status, bytes.length == 0 ? -1 : bytes.length);
        if (bytes.length > 0) {
            exchange.getResponseBody().write(bytes);
        }
    }

    @Override
    public void close() {
        server.stop(0);
    }
}
