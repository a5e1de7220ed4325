package org.ysometron.app.lot;

import java.time.Instant;
import java.util.Collection;
import java.util.Map;

/** Which results are known already, and since when; answered by later rooms, which know the readings. */
public interface Results {

    /** Since when the result of each of these specimens is known; those without one are left out. */
    Map<Long, Instant> known(Collection<Long> specimens);
}
