package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** How a part leaves the bed; surface, adhesive and temperature stand with the treatment in the terms (common practice, no source). */
@AutoService(Method.class)
public final class BedAdhesion extends Graded {}
