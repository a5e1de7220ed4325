/**
 * How big is it really? Areas from caliper readings, the diameter along a filament, scale and edge offset of an artefact.
 *
 * <p>Main types: {@link org.ysometron.core.dimension.Section}, {@link org.ysometron.core.dimension.DiameterLog}, {@link
 * org.ysometron.core.dimension.Artefact}. Knows nothing of forces.
 */
@NullMarked
package org.ysometron.core.dimension;

import org.jspecify.annotations.NullMarked;
