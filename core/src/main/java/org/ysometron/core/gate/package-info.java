/**
 * What keeps this lot from being released, and who may lift it?
 *
 * <p>Main types: {@link org.ysometron.core.gate.Gate}, {@link org.ysometron.core.gate.Block}. Judges nothing itself: it
 * reads judgements made elsewhere.
 */
@NullMarked
package org.ysometron.core.gate;

import org.jspecify.annotations.NullMarked;
