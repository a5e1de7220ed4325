package org.ysometron.app.gate;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.ysometron.app.account.Accounts;
import org.ysometron.app.bench.Bench;
import org.ysometron.app.bench.SpecimenRecord;
import org.ysometron.app.equipment.Calibrations;
import org.ysometron.app.equipment.Instruments;
import org.ysometron.app.equipment.Kind;
import org.ysometron.app.lot.LotState;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.Samples;
import org.ysometron.app.plan.Plans;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.gate.Right;
import org.ysometron.core.method.Calibration.Coverage;

/** Leads a new site to its first certificate: what is there, what is missing, in order, each with where it is done. */
@Component
class FirstSteps {

    private final Accounts accounts;
    private final Products products;
    private final Publications publications;
    private final Instruments instruments;
    private final Calibrations calibrations;
    private final Plans plans;
    private final Lots lots;
    private final Samples samples;
    private final Bench bench;

    FirstSteps(
            Accounts accounts,
            Products products,
            Publications publications,
            Instruments instruments,
            Calibrations calibrations,
            Plans plans,
            Lots lots,
            Samples samples,
            Bench bench) {
        this.samples = samples;
        this.accounts = accounts;
        this.products = products;
        this.publications = publications;
        this.instruments = instruments;
        this.calibrations = calibrations;
        this.plans = plans;
        this.lots = lots;
        this.bench = bench;
    }

    /**
     * A step.
     *
     * @param done whether it is there
     * @param optional whether a certificate can do without it
     */
    record Step(String what, String why, String path, boolean done, boolean optional) {}

    /** The steps of a site that has not decided about a lot of its own yet; none once it has. */
    List<Step> of() {
        Lots.LotPage decided = lots.page(LotState.decided(), 0, 1, false);
        boolean begun = decided.lots().stream().anyMatch(lot -> lot.state() != LotState.BROUGHT_IN);
        if (begun) {
            return List.of();
        }
        List<Step> steps = new ArrayList<>();
        steps.add(new Step(
                "A second account that may release",
                "whoever had a hand in a lot does not release it alone",
                "/accounts",
                accounts.having(Right.RELEASE) > 1,
                false));
        Optional<Products.ProductView> product = products.all().stream().findFirst();
        steps.add(new Step("A product", "what is made", "/products/new", product.isPresent(), false));
        String own = product.map(found -> "/products/" + found.code()).orElse("/products");
        boolean claims = product.flatMap(found -> publications.newestDatasheet(found.id()))
                .filter(sheet -> !publications.claims(sheet.id()).isEmpty())
                .isPresent();
        steps.add(new Step(
                "A datasheet with a claim that can be tested",
                "method, orientation, basis, conditioning and rate beside each strength",
                product.isPresent() ? own + "/publish/datasheet" : "/products",
                claims,
                false));
        boolean gauges = !instruments.ofKind(Kind.FORCE_GAUGE).isEmpty()
                && !instruments.ofKind(Kind.CALIPERS).isEmpty();
        steps.add(new Step("Calipers and a force gauge", "what the bench reads", "/equipment", gauges, false));
        boolean covered = gauges
                && calibrations.today(
                                instruments.ofKind(Kind.FORCE_GAUGE).get(0).id())
                        == Coverage.COVERED
                && calibrations.today(instruments.calipers().id()) == Coverage.COVERED;
        steps.add(new Step(
                "Their calibrations",
                "a reading by what nobody can vouch for blocks a release",
                "/equipment",
                covered,
                false));
        steps.add(new Step(
                "A test plan",
                "lots entered from then on have a copy of it, and the calendar",
                own + "/plan",
                product.flatMap(found -> plans.newest(found.id())).isPresent(),
                true));
        steps.add(new Step(
                "Lots of before, from your records",
                "a chart with limits on the first day",
                own + "/past-lots",
                decided.total() > 0,
                true));
        Optional<LotView> lot =
                lots.page(LotState.due(), 0, 1, true).lots().stream().findFirst();
        steps.add(new Step("The first lot", "what is to be decided about", "/lots/new", lot.isPresent(), false));
        String at = lot.map(found -> "/lots/" + found.code()).orElse("/");
        List<SpecimenRecord> records =
                lot.map(found -> bench.records(found.id())).orElse(List.of());
        steps.add(new Step(
                "A sample of it",
                "from where of the lot, and by whom",
                lot.isPresent() ? at + "/intake#samples" : "/",
                lot.isPresent() && !samples.drawn(List.of(lot.get().id())).isEmpty(),
                false));
        steps.add(new Step(
                "Its specimens", "printed from a sample of the lot", at + "#specimens", !records.isEmpty(), false));
        steps.add(new Step(
                "Measured and broken",
                "calipers first, then the force",
                lot.isPresent() ? at + "/bench" : "/",
                !records.isEmpty() && records.stream().allMatch(record -> record.isTested()),
                false));
        steps.add(new Step(
                "The decision and its certificate",
                "by the account that had no hand in it",
                lot.isPresent() ? at + "/decision" : "/",
                false,
                false));
        return steps;
    }
}
