/**
 * What in a lot's results does not look like sound specimens of one population, and is worth a second look before anybody judges?
 *
 * <p>Main types: {@link org.ysometron.core.surprise.OddResults}, {@link org.ysometron.core.surprise.Surprises}, {@link
 * org.ysometron.core.surprise.Look}. Takes nothing out and judges no claim.
 */
@NullMarked
package org.ysometron.core.surprise;

import org.jspecify.annotations.NullMarked;
