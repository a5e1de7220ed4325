/**
 * What did the person type, in which unit, and is it of the right dimension and size?
 *
 * <p>Main types: {@link org.ysometron.core.quantity.UnitOfMeasure}, {@link org.ysometron.core.quantity.Typed}, {@link
 * org.ysometron.core.quantity.Plausibility}. Knows nothing of tests, claims or pages.
 */
@NullMarked
package org.ysometron.core.quantity;

import org.jspecify.annotations.NullMarked;
