/**
 * With what are readings taken?
 *
 * <p>Main types: {@link org.ysometron.app.equipment.Instruments}. Knows nothing of lots or readings.
 */
@NullMarked
package org.ysometron.app.equipment;

import org.jspecify.annotations.NullMarked;
