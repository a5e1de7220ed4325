/**
 * Is this lot still the material of the lots before? Charts, limits, run rules, baselines, false-alarm cost.
 *
 * <p>Main types: {@link org.ysometron.core.drift.IndividualsLimits}, {@link org.ysometron.core.drift.SpreadLimits}, {@link
 * org.ysometron.core.drift.RunRule}, {@link org.ysometron.core.drift.AverageRunLength}. Knows nothing of claims.
 */
@NullMarked
package org.ysometron.core.drift;

import org.jspecify.annotations.NullMarked;
