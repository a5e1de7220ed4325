package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** How a print can be worked, by what is done to it (common practice, no source). */
@AutoService(Method.class)
public final class Workability extends Graded {}
