package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/**
 * A nut of the size on a printed thread, before it is cut again and after: beside the edge offset of an accuracy artefact it tells an over-exposure, which
 * moves every edge, from lost detail (common practice, no source).
 */
@AutoService(Method.class)
public final class PrintedThread extends Graded {}
