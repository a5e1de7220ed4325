package org.ysometron.instruments.standin;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the specimens of a demonstration truly are, a row each of specimen, field and value; read anew each time, for it may be written later. */
record Truth(Path file) {

    /** What is known of a specimen, by field; nothing of one that nobody knows. */
    Map<String, Double> of(String specimen) {
        Map<String, Double> known = new LinkedHashMap<>();
        if (!Files.exists(file)) {
            return known;
        }
        try {
            for (String line : Files.readAllLines(file, StandardCharsets.UTF_8)) {
                String[] cells = line.split(",");
                if (cells.length == 3 && cells[0].equalsIgnoreCase(specimen)) {
                    known.put(cells[1], Double.valueOf(cells[2]));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return known;
    }

    /** Specimens that something is known of. */
    java.util.List<String> specimens() {
        if (!Files.exists(file)) {
            return java.util.List.of();
        }
        try (java.util.stream.Stream<String> lines = Files.lines(file, StandardCharsets.UTF_8)) {
            return lines.map(line -> line.split(",")[0])
                    .filter(name -> !name.equals("specimen"))
                    .distinct()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    OptionalDouble of(String specimen, String field) {
        return Optional.ofNullable(of(specimen).get(field))
                .map(OptionalDouble::of)
                .orElse(OptionalDouble.empty());
    }

    /** A bar that can be pulled; empty where force, section or modulus are not known. */
    Optional<Bar> bar(String specimen) {
        Map<String, Double> known = of(specimen);
        Double force = known.get("force-1");
        Double area = known.get("area");
        Double modulus = known.get("modulus");
        return force == null || area == null || modulus == null
                ? Optional.empty()
                : Optional.of(new Bar(force, area, modulus));
    }

    /**
     * A bar in the frame: a rise that bends over before the break, behind some slack.
     *
     * @param force at which it breaks, N
     * @param area of its section, mm²
     * @param modulus of its material, MPa
     */
    record Bar(double force, double area, double modulus) {

        private static final double GAUGE_LENGTH = 25;
        private static final double SLACK = 0.02;
        private static final double STRAIGHT = 0.6;

        /** Strain in a second: 5 mm/min between grips 45 mm apart. */
        private static final double RATE = 5.0 / 60 / 45;

        /** Extension over the gauge length at a time, mm. */
        double extension(double time) {
            return RATE * time * GAUGE_LENGTH;
        }

        /** Load at a time, N; nothing once it broke. */
        double load(double time) {
            double elastic = modulus * area * (extension(time) - SLACK) / GAUGE_LENGTH;
            double bend = STRAIGHT * force;
            if (elastic <= 0) {
                return 0;
            }
            if (elastic <= bend) {
                return elastic;
            }
            double rest = force - bend;
            // Toward a little more than it carries, so that it is reached and broken at.
            double reached = bend + 1.02 * rest * (1 - Math.exp(-(elastic - bend) / (1.02 * rest)));
            return isBroken(time) ? 0 : reached;
        }

        /** Whether it is in two by then. */
        boolean isBroken(double time) {
            double rest = (1 - STRAIGHT) * force;
            double elastic = modulus * area * (extension(time) - SLACK) / GAUGE_LENGTH;
            return elastic > STRAIGHT * force - 1.02 * rest * Math.log(1 - 1 / 1.02);
        }
    }
}
