package org.ysometron.app.gate;

import org.ysometron.app.lot.LotView;
import org.ysometron.core.gate.Block;

/** Where what stands in a lot's way is dealt with. */
final class Ways {

    private Ways() {}

    /** The page on which what the block asks for can be done. */
    static String to(Block block, LotView lot, String product) {
        String own = "/lots/" + lot.code();
        return switch (block.kind()) {
            case PUBLICATION_CONFLICT, NOTHING_CLAIMED -> "/products/" + product + "#publications";
            case PRODUCT_WITHDRAWN -> "/products/" + product + "#life";
            case NO_SAMPLE -> own + "/intake#samples";
            case SIZE_GATE, MATERIAL_STATE, INTAKE_CLAIM -> own + "/intake";
            case TEST_MISSING, PAST_SHELF_LIFE -> own + "#specimens";
            case READING_OWED -> own + "/bench?step=break";
            case PLAN_LINE -> own + "/plan";
            case ODD_RESULT, SURPRISE -> own + "/odd";
            case CLAIM_OPEN, NOT_COMPARABLE -> own + "/evidence";
            case SIGNAL_UNANSWERED -> "/products/" + product + "/drift";
            case OTHER_BLEND,
                    CALIBRATION,
                    LATE_ENTRY,
                    TAKEN_OUT,
                    ENDINGS,
                    OTHER_SETUP,
                    CLAIM_CONTRADICTED,
                    SAME_PERSON -> own + "/decision";
        };
    }
}
