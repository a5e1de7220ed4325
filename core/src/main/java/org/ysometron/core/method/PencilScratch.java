package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** The hardest pencil that leaves no mark (ISO 15184). */
@AutoService(Method.class)
public final class PencilScratch extends Graded {}
