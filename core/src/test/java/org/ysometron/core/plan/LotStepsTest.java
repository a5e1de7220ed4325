package org.ysometron.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.LotSteps.Durations;
import org.ysometron.core.plan.LotSteps.Line;
import org.ysometron.core.plan.Schedule.Ground;
import org.ysometron.core.plan.Schedule.Job;

class LotStepsTest {

    private static final LocalDateTime MONDAY = LocalDateTime.of(2026, 3, 2, 8, 0);
    private static final Durations SITE = new Durations(360, 90, 88, 20);

    private static PlannedTest test(String id, Conditioning conditioning) {
        Method method = Methods.of(id).orElseThrow();
        return new PlannedTest(
                method,
                SpecimenDesign.TENSION_BAR_4,
                Orientation.ZX,
                PlannedTest.Notch.NONE,
                Basis.SOLID,
                Build.NONE,
                conditioning,
                method.data().rated() ? 5 : 0,
                5,
                "");
    }

    private static Line line(PlannedTest test, int made, int tested) {
        return annealed(test, made, tested, List.of(), 0);
    }

    private static Line annealed(PlannedTest test, int made, int tested, List<Long> steps, int untreated) {
        return new Line(test, made, tested, 240, steps, untreated, Optional.empty(), Optional.empty());
    }

    private static List<String> ids(LotSteps steps) {
        return steps.jobs().stream().map(Job::id).toList();
    }

    @Test
    void aNewLotIsDriedPrintedConditionedTestedAndDecided() {
        LotSteps steps = LotSteps.of(
                "A", false, false, List.of(line(test("tension", Conditioning.CONDITIONED), 0, 0)), SITE, MONDAY);
        assertThat(ids(steps))
                .containsExactly(
                        "A: dry",
                        "A: print tension ZX, conditioned",
                        "A: condition tension ZX, conditioned",
                        "A: test tension ZX, conditioned",
                        "A: decide");
        // By hand: dry to 14:00; print to 18:00; into the climate Tuesday 7:00, out 88 h later on Friday 23:00; test
        // and
        // decide on Monday from 7:00, 30 and 20 minutes.
        Schedule.Plan plan = Schedule.forwards(steps.jobs(), Map.of(), MONDAY);
        assertThat(plan.finish()).isEqualTo("2026-03-09T07:50");
        assertThat(plan.chain()).isEqualTo(ids(steps));
    }

    @Test
    void whatIsDoneLeavesNoStep() {
        PlannedTest dry = test("tension", Conditioning.DRY);
        assertThat(ids(LotSteps.of("A", true, false, List.of(line(dry, 5, 5)), SITE, MONDAY)))
                .containsExactly("A: decide");
        assertThat(ids(LotSteps.of("A", true, false, List.of(line(dry, 5, 2)), SITE, MONDAY)))
                .containsExactly("A: test tension ZX", "A: decide");
        // Nobody dries what is printed already.
        assertThat(ids(LotSteps.of("A", false, false, List.of(line(dry, 5, 0)), SITE, MONDAY)))
                .containsExactly("A: test tension ZX", "A: decide");
    }

    @Test
    void aResinIsCuredAndAnnealedStepByStep() {
        Line line = annealed(test("tension", Conditioning.DRY), 0, 0, List.of(60L, 120L), 0);
        assertThat(ids(LotSteps.of("A", true, true, List.of(line), SITE, MONDAY)))
                .containsExactly(
                        "A: print tension ZX",
                        "A: wash and cure tension ZX",
                        "A: anneal tension ZX, step 1",
                        "A: anneal tension ZX, step 2",
                        "A: test tension ZX",
                        "A: decide");
    }

    /** What is printed is annealed before it is tested, and a line that names no programme is not annealed beside it. */
    @Test
    void onlyTheLineOfAProgrammeGoesThroughIt() {
        PlannedTest plain = test("tension", Conditioning.DRY);
        PlannedTest after = plain.after("anneal A, rev 1");
        List<Line> lines = List.of(line(plain, 5, 0), annealed(after, 5, 0, List.of(60L), 5));
        assertThat(ids(LotSteps.of("A", true, false, lines, SITE, MONDAY)))
                .containsExactly(
                        "A: test tension ZX",
                        "A: anneal tension ZX, anneal A, rev 1, step 1",
                        "A: test tension ZX, anneal A, rev 1",
                        "A: decide");
        assertThat(ids(LotSteps.of("A", true, false, List.of(annealed(after, 5, 0, List.of(60L), 0)), SITE, MONDAY)))
                .containsExactly("A: test tension ZX", "A: decide");
    }

    @Test
    void aClimateThatRunsEndsWhenItEndsAndBlocksNobodyTwice() {
        Line inside = new Line(
                test("tension", Conditioning.CONDITIONED),
                5,
                0,
                0,
                List.of(),
                0,
                Optional.of(MONDAY.minusHours(80)),
                Optional.empty());
        LotSteps steps = LotSteps.of("A", true, false, List.of(inside), SITE, MONDAY);
        assertThat(steps.running()).singleElement().satisfies(running -> assertThat(running.start())
                .isEqualTo(MONDAY.minusHours(80)));
        Schedule.Plan plan = Schedule.forwards(
                steps.jobs(), new Ground(Map.of(), WorkingHours.USUAL, steps.running(), Map.of()), MONDAY);
        // 88 h are over at 16:00, after which nobody is there.
        assertThat(plan.slot("A: test tension ZX, conditioned").start()).isEqualTo("2026-03-03T07:00");
    }

    @Test
    void creepHangsForItsDays() {
        LotSteps steps =
                LotSteps.of("A", true, false, List.of(line(test("creep", Conditioning.DRY), 5, 0)), SITE, MONDAY);
        Schedule.Plan plan = Schedule.forwards(steps.jobs(), Map.of(), MONDAY);
        assertThat(plan.slot("A: hold creep in tension ZX").end())
                .isEqualTo(plan.slot("A: hang creep in tension ZX").end().plusDays(10));
        assertThat(plan.chain()).last().isEqualTo("A: decide");
    }

    @Test
    void aDelayIsWaitedForAndSaid() {
        Schedule.Plan plan = Schedule.forwards(
                List.of(new Job("print", Schedule.Attention.BEGUN, 60, List.of(), "printer")),
                new Ground(Map.of(), WorkingHours.USUAL, List.of(), Map.of("print", MONDAY.plusDays(2))),
                MONDAY);
        assertThat(plan.slot("print").start()).isEqualTo("2026-03-04T08:00");
        assertThat(plan.slot("print").because()).contains("asked for");
    }

    @Test
    void theSitesHoursAreKept() {
        WorkingHours late = new WorkingHours(LocalTime.of(10, 0), LocalTime.of(12, 0));
        Schedule.Plan plan = Schedule.forwards(
                List.of(new Job("measure", Schedule.Attention.ATTENDED, 300, List.of(), "")),
                new Ground(Map.of(), late, List.of(), Map.of()),
                MONDAY);
        // Two hours on Monday and on Tuesday, one on Wednesday.
        assertThat(plan.slot("measure").start()).isEqualTo("2026-03-02T10:00");
        assertThat(plan.finish()).isEqualTo("2026-03-04T11:00");
    }

    /** Two rates of one test, or solid and as printed, are two lines: each step has a key and a name of its own. */
    @Test
    void linesAlikeInMethodAndOrientationAreToldApart() {
        PlannedTest slow = test("tension", Conditioning.DRY);
        PlannedTest fast = new PlannedTest(
                slow.method(),
                slow.design(),
                slow.orientation(),
                slow.notch(),
                slow.basis(),
                slow.build(),
                slow.conditioning(),
                50,
                5,
                "");
        LotSteps steps = LotSteps.of("A", true, false, List.of(line(slow, 0, 0), line(fast, 0, 0)), SITE, MONDAY);
        assertThat(ids(steps)).doesNotHaveDuplicates().hasSize(5).contains("A: decide");
        assertThat(steps.jobs()).allMatch(job -> job.owner().equals("A"));
        assertThat(Schedule.forwards(
                                steps.jobs(),
                                new Ground(Map.of(), WorkingHours.USUAL, steps.running(), Map.of()),
                                MONDAY)
                        .slots())
                .hasSize(5);
    }
}
