package org.ysometron.app.gate;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Contributor;

/** Everybody who had a hand in a lot: none of them releases it alone. */
@Component
class Contributors {

    private final List<Contributor> rooms;

    Contributors(List<Contributor> rooms) {
        this.rooms = rooms;
    }

    /** The accounts that entered, made or corrected anything of the lot. */
    Set<String> of(long lotId) {
        Set<String> all = new TreeSet<>();
        rooms.forEach(room -> all.addAll(room.contributors(lotId)));
        return all;
    }

    /** Those who entered what the verdicts rest on; they give no word of judgement about it. */
    Set<String> ofEvidence(long lotId) {
        Set<String> all = new TreeSet<>();
        rooms.stream().filter(Contributor::isEvidence).forEach(room -> all.addAll(room.contributors(lotId)));
        return all;
    }
}
