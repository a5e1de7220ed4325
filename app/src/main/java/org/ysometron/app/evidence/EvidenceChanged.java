package org.ysometron.app.evidence;

import java.util.Set;

/** Said when a lot's points were worked out anew, with the series concerned. */
public record EvidenceChanged(long lotId, Set<Long> seriesIds) {}
