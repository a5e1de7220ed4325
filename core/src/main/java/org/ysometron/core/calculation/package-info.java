/**
 * Which calculations does the core offer to somebody who wants to check them with cases of their own?
 *
 * <p>Main type: {@link org.ysometron.core.calculation.Calculations}. The only package that knows all the others; knows no
 * file format.
 */
@NullMarked
package org.ysometron.core.calculation;

import org.jspecify.annotations.NullMarked;
