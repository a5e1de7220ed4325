/**
 * The bare formulas behind {@code drift}: distribution of the range, run-length integral equations.
 *
 * <p>Checks and names are the callers' business.
 */
@NullMarked
package org.ysometron.core.drift.formula;

import org.jspecify.annotations.NullMarked;
