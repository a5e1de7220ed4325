package org.ysometron.app.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.ysometron.app.product.Claim;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;

/** What a plan would need so that every claim is served: a proposal in the form, stored by nobody but who sends it. */
final class PlanDraft {

    private PlanDraft() {}

    /**
     * A line for whatever these claims ask for and no line serves: under the claim's own terms, which are not guessed, with as
     * many specimens as it asks for. A ratio asks for two.
     */
    static List<Plans.Line> of(List<Plans.Line> lines, List<Claim> claims) {
        Map<Conditions, Integer> wanted = new LinkedHashMap<>();
        for (Claim claim : claims) {
            if (claim.property().isMechanical()) {
                int n = claim.requirement().minimumN();
                wanted.merge(claim.conditions(), n, Math::max);
                if (claim.property().isRatio()) {
                    wanted.merge(claim.below(), n, Math::max);
                }
            }
        }
        lines.stream()
                .filter(line -> !line.leftOut())
                .forEach(line -> wanted.remove(line.test().conditions()));
        List<Plans.Line> drafts = new ArrayList<>();
        wanted.forEach((terms, n) -> test(terms, n).map(Plans.Line::of).ifPresent(drafts::add));
        return drafts;
    }

    /** A test under these terms; empty where they are not those of anything that can be planned. */
    private static Optional<PlannedTest> test(Conditions terms, int n) {
        return Methods.of(terms.method()).flatMap(method -> PlannedTest.Specimen.titled(method, terms.design())
                .flatMap(specimen -> test(method, specimen, terms, n)));
    }

    private static Optional<PlannedTest> test(Method method, PlannedTest.Specimen specimen, Conditions terms, int n) {
        try {
            return Optional.of(new PlannedTest(
                    method,
                    specimen.design(),
                    terms.orientation(),
                    specimen.notch(),
                    terms.basis(),
                    terms.build(),
                    terms.conditioning(),
                    terms.rate(),
                    n,
                    terms.process()));
        } catch (IllegalArgumentException lacking) {
            // What a line must say is one rule, the line's own: a claim may be older than some of it.
            return Optional.empty();
        }
    }
}
