package org.ysometron.core.method;

import com.google.auto.service.AutoService;

/** How a layer leaves the film of a vat (common practice, no source). */
@AutoService(Method.class)
public final class FilmRelease extends Graded {}
