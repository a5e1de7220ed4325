package org.ysometron.core.calculation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.math.BigInteger;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * What nobody should feed a calculation: every one gets its example with inputs exchanged for extremes, things that are no
 * numbers, and numbers of any size out of its own declared ranges. It answers with finite figures or says why not, and comes
 * to an end, and the cases after it are answered as before.
 */
class HostileCasesTest {

    /** 10,000 for the full count: {@code -Dhostile.cases=10000}. */
    private static final int CASES = Integer.getInteger("hostile.cases", 1500);

    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();
    /** Of the processor's own time, whatever else the machine does: what goes on so long never ends. */
    private static final Duration LIMIT = Duration.ofSeconds(10);

    static List<Calculation> all() {
        return Calculations.all();
    }

    @ParameterizedTest
    @MethodSource("all")
    void itAnswersOrSaysWhyNot(Calculation calculation) {
        Random random = new Random(calculation.name().hashCode());
        Answer before = calculation.compute(calculation.example());
        int answered = 0;
        for (int i = 0; i < CASES; i++) {
            Map<String, Object> given = new LinkedHashMap<>(calculation.example());
            int changes = 1 + random.nextInt(3);
            for (int change = 0; change < changes; change++) {
                Input input = calculation
                        .inputs()
                        .get(random.nextInt(calculation.inputs().size()));
                given.put(input.name(), hostile(random, input, given.get(input.name())));
            }
            answered += put(calculation, given) ? 1 : 0;
        }
        assertThat(answered)
                .as("cases that were answered, so that the others mean something")
                .isPositive();
        assertThat(calculation.compute(calculation.example())).isEqualTo(before);
    }

    private static boolean put(Calculation calculation, Map<String, Object> given) {
        long began = THREADS.getCurrentThreadCpuTime();
        boolean answered = false;
        try {
            Answer answer = calculation.compute(given);
            answered = true;
            if (!answer.isFinite()) {
                fail("%s answers %s with %s", calculation.name(), given, answer);
            }
        } catch (CaseProblem said) {
            assertThat(said.problem().text()).as("%s", given).isNotBlank().doesNotContain("hipparchus", "Exception");
        } catch (RuntimeException thrown) {
            fail(calculation.name() + " throws on " + given, thrown);
        }
        assertThat(Duration.ofNanos(THREADS.getCurrentThreadCpuTime() - began))
                .as("%s on %s", calculation.name(), given)
                .isLessThan(LIMIT);
        return answered;
    }

    private static @Nullable Object hostile(Random random, Input input, @Nullable Object usual) {
        if (random.nextInt(5) == 0) {
            Object[] odd = {
                "",
                " ",
                "x",
                "1,5",
                "\u22125",
                "1e400",
                "5 MPa",
                "NaN",
                Double.NaN,
                Double.NEGATIVE_INFINITY,
                true,
                List.of(),
                List.of(List.of(1)),
                Map.of("a", 1),
                BigInteger.TEN.pow(400),
                "1".repeat(5000),
                Collections.nCopies(50, "x"),
                -0.0
            };
            return odd[random.nextInt(odd.length)];
        }
        if (!input.kind().isNumeric()) {
            return usual;
        }
        if (!input.kind().isList()) {
            return number(random, input);
        }
        List<Object> items = new ArrayList<>();
        int size = usual instanceof List<?> list && random.nextInt(4) > 0 ? list.size() : random.nextInt(25);
        boolean alike = random.nextInt(5) == 0;
        double first = number(random, input);
        for (int i = 0; i < size; i++) {
            items.add(alike ? first : number(random, input));
        }
        return items;
    }

    private static double number(Random random, Input input) {
        Input.Range range = input.range();
        double number =
                switch (random.nextInt(8)) {
                    case 0 -> range.least();
                    case 1 -> range.most();
                    case 2 -> Math.nextUp(range.least());
                    case 3 -> Math.nextDown(range.most());
                    case 4 -> random.nextGaussian() * Math.pow(10, random.nextInt(600) - 300);
                    case 5 -> range.least() + (range.most() - range.least()) * random.nextDouble();
                    case 6 -> random.nextInt(20) - 5;
                    default -> Math.max(range.least(), Math.min(range.most(), Math.exp(6 * random.nextGaussian())));
                };
        return input.kind().isWhole() && random.nextInt(6) > 0 ? Math.rint(number) : number;
    }
}
