package org.ysometron.app.evidence;

import java.util.Set;

/** Said when points became others than they were, with the series concerned. */
public record EvidenceChanged(Set<Long> seriesIds) {}
