package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** The look of a printed piece by its elements, each on a scale of its own; nothing is summed here (common practice, no source). */
@AutoService(Method.class)
public final class PrintQuality extends Graded {}
