/**
 * How big is the specimen really? Areas from caliper readings.
 *
 * <p>Main type: {@link org.ysometron.core.dimension.Section}. Knows nothing of forces.
 */
@NullMarked
package org.ysometron.core.dimension;

import org.jspecify.annotations.NullMarked;
