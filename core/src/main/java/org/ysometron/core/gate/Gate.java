package org.ysometron.core.gate;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import org.ysometron.core.claim.Verdict;
import org.ysometron.core.material.ShelfLife;

/** The rule of release: what blocks, who lifts it, and who may decide. */
public final class Gate {

    private Gate() {}

    /**
     * A governing claim as judged.
     *
     * @param title the claim in words
     * @param verdict the verdict
     * @param reason the verdict's reason
     * @param n specimens that count
     * @param minimumN the claim's minimum
     * @param moreSpecimens how many more should settle it
     * @param atIntake whether the material itself is measured for it, at intake, and not a printed specimen
     */
    public record JudgedClaim(
            String title,
            Verdict verdict,
            String reason,
            int n,
            int minimumN,
            OptionalInt moreSpecimens,
            boolean atIntake) {}

    /**
     * A signal at this lot's point.
     *
     * @param title series and signal in words
     * @param answered whether somebody with judgement answered it
     */
    public record ChartSignal(String title, boolean answered) {}

    /**
     * All that blocks the lot's release, in the order in which it is best dealt with.
     *
     * @param others what stands in the way before any claim is judged
     */
    public static List<Block> blocks(List<JudgedClaim> claims, List<ChartSignal> signals, List<Block> others) {
        List<Block> blocks = new ArrayList<>(others);
        if (claims.isEmpty()) {
            blocks.add(new Block(
                    Block.Kind.NOTHING_CLAIMED,
                    "The product publishes no claim that could be verified.",
                    Right.ADMINISTRATION,
                    "Publish a datasheet revision with at least one claim."));
        }
        for (JudgedClaim claim : claims) {
            block(claim, blocks);
        }
        for (ChartSignal signal : signals) {
            if (!signal.answered()) {
                blocks.add(new Block(
                        Block.Kind.SIGNAL_UNANSWERED,
                        signal.title() + ": unanswered.",
                        Right.JUDGEMENT,
                        "Answer it on the drift page: what changed, and why the lot may stand."));
            }
        }
        blocks.sort(Comparator.comparing(Block::kind));
        return blocks;
    }

    /** Publications that disagree about a tested claim: nobody can say what the lot has to do. */
    public static Block conflict(String title, String publications, String differ) {
        return new Block(
                Block.Kind.PUBLICATION_CONFLICT,
                title + ": " + publications + " differ in " + differ + ".",
                Right.JUDGEMENT,
                "Settle on the product's file which one governs.");
    }

    /** A lot of which nobody knows from where its tested material was drawn. */
    public static Block withoutSample() {
        return new Block(
                Block.Kind.NO_SAMPLE,
                "No sample is on record: nobody knows from where of the lot the tested material was drawn, and by whom.",
                Right.JUDGEMENT,
                "Draw a sample and enter it at intake, or another account with judgement gives a word why it may stand.",
                "no-sample");
    }

    /**
     * A lot made by something else than the lots that left before it.
     *
     * @param differences what differs, each in words
     * @param before code of the lot that it is compared with
     */
    public static Block otherBlend(List<String> differences, String before) {
        return new Block(
                Block.Kind.OTHER_BLEND,
                "Not made as lot " + before + ", the last of its colour that left: " + String.join(", ", differences)
                        + ". Its series starts anew.",
                Right.JUDGEMENT,
                "Another account with judgement looks at it and gives a word why the published claims hold for it.",
                "blend-after-" + before);
    }

    /** A lot of a product that is no longer sold. */
    public static Block withdrawn(String product, String reason) {
        return new Block(
                Block.Kind.PRODUCT_WITHDRAWN,
                product + " is withdrawn: " + reason,
                Right.JUDGEMENT,
                "Give a word why this lot may still leave, or reject it.",
                "product");
    }

    /** A lot that is past its day: it is tested again first, and then somebody else says until when it may leave. */
    public static Block pastShelfLife(ShelfLife life, LocalDate today, boolean testedAgain) {
        String what = "It kept until " + life.until() + ", " + life.past(today)
                + (life.past(today) == 1 ? " day" : " days") + " ago"
                + (testedAgain ? "; it was tested again since." : ", and nothing of it was tested since.");
        return testedAgain
                ? new Block(
                        Block.Kind.PAST_SHELF_LIFE,
                        what,
                        Right.JUDGEMENT,
                        "Another account with judgement looks at what was tested since, and says in a word until when it may leave.",
                        "shelf-" + life.until())
                : new Block(
                        Block.Kind.PAST_SHELF_LIFE,
                        what,
                        Right.ENTRY,
                        "Add specimens of it and test them, or reject it.");
    }

    /** An artefact or fit check that failed its gate: size comes before strength. */
    public static Block sizeGate(String failure, String subject) {
        return new Block(
                Block.Kind.SIZE_GATE,
                failure + ".",
                Right.JUDGEMENT,
                "Print again within size, or give an engineer's word with its reason.",
                subject);
    }

    /** A reading by an instrument that was out of calibration on the day, or was never calibrated. */
    public static Block outOfCalibration(String words, String subject) {
        return new Block(
                Block.Kind.CALIBRATION,
                words + ".",
                Right.JUDGEMENT,
                "Test again with a calibrated one, or give a word with what the calibration since has shown.",
                subject);
    }

    /** A planned test that was not done. */
    public static Block planLine(String line, int done, int planned) {
        return new Block(
                Block.Kind.PLAN_LINE,
                "Planned and not done: " + line + ", " + done + " of " + planned + ".",
                Right.ENTRY,
                "Do it, or have it left out of the lot's plan by somebody with judgement, with a reason.");
    }

    /** Specimens whose results are provisional: wet or unknown material, or tested before they were conditioned. */
    public static Block provisional(String specimens, String reasons, String remedy) {
        return new Block(
                Block.Kind.MATERIAL_STATE, specimens + ": results are provisional. " + reasons, Right.ENTRY, remedy);
    }

    /**
     * What stops this person from this decision. A release needs every block lifted and somebody who entered nothing of
     * the lot; what keeps the lot here is always open to the right of release.
     *
     * @param disposition what is to be decided
     * @param blocks what blocks the lot
     * @param decider the account that decides
     * @param enterers accounts that entered, made or corrected anything of the lot
     */
    public static List<Block> refusals(
            Disposition disposition, List<Block> blocks, String decider, Set<String> enterers) {
        if (!disposition.ships()) {
            return List.of();
        }
        List<Block> refusals = new ArrayList<>(blocks);
        if (enterers.contains(decider)) {
            refusals.add(new Block(
                    Block.Kind.SAME_PERSON,
                    "The account '" + decider + "' entered or made something of this lot and cannot release it alone.",
                    Right.RELEASE,
                    "Have another account with the right of release decide."));
        }
        return refusals;
    }

    private static void block(JudgedClaim claim, List<Block> blocks) {
        switch (claim.verdict()) {
            case NOT_TESTED ->
                blocks.add(new Block(
                        claim.atIntake() ? Block.Kind.INTAKE_CLAIM : Block.Kind.TEST_MISSING,
                        claim.title() + ": not tested.",
                        Right.ENTRY,
                        claim.atIntake()
                                ? "Measure the material at intake."
                                : "Test at least " + claim.minimumN() + " specimens."));
            case CONTRADICTED ->
                blocks.add(new Block(
                        Block.Kind.CLAIM_CONTRADICTED,
                        claim.title() + ": contradicted. " + claim.reason(),
                        Right.RELEASE,
                        "Hold or reject the lot; it cannot be released."));
            case OPEN ->
                blocks.add(new Block(
                        claim.atIntake() ? Block.Kind.INTAKE_CLAIM : Block.Kind.CLAIM_OPEN,
                        claim.title() + ": open. " + claim.reason(),
                        Right.ENTRY,
                        claim.moreSpecimens().isPresent()
                                ? (claim.atIntake() ? "Measure " : "Test ")
                                        + claim.moreSpecimens().getAsInt()
                                        + (claim.atIntake() ? " more at intake." : " more.")
                                : "More of the same will not settle it; hold the lot."));
            case NOT_COMPARABLE ->
                blocks.add(new Block(
                        Block.Kind.NOT_COMPARABLE,
                        claim.title() + ": not comparable. " + claim.reason(),
                        Right.ENTRY,
                        "Test specimens under the claim's own conditions."));
            case SUPPORTED -> {}
        }
    }
}
