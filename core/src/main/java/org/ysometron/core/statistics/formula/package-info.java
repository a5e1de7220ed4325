/**
 * The bare formulas behind {@code statistics}, on doubles, with the letters of their sources.
 *
 * <p>Checks and names are the callers' business; nothing here knows what the numbers stand for.
 */
@NullMarked
package org.ysometron.core.statistics.formula;

import org.jspecify.annotations.NullMarked;
