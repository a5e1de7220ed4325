/**
 * What do a lot's readings say of each claim?
 *
 * <p>Main types: {@link org.ysometron.app.evidence.Judgements}, {@link org.ysometron.app.evidence.SeriesPoints}. Knows
 * nothing of limits or decisions.
 */
@NullMarked
package org.ysometron.app.evidence;

import org.jspecify.annotations.NullMarked;
