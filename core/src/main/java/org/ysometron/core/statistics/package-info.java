/**
 * What may be said of a population from a few values? Intervals, bounds, tolerance factors, censoring.
 *
 * <p>Main types: {@link org.ysometron.core.statistics.Summary}, {@link org.ysometron.core.statistics.MeanBounds}. Knows
 * nothing of materials or claims.
 */
@NullMarked
package org.ysometron.core.statistics;

import org.jspecify.annotations.NullMarked;
