/**
 * Which lots are there, and which specimens stand for each?
 *
 * <p>Main types: {@link org.ysometron.app.lot.Lots}, {@link org.ysometron.app.lot.LotView}. Knows nothing of readings.
 */
@NullMarked
package org.ysometron.app.lot;

import org.jspecify.annotations.NullMarked;
