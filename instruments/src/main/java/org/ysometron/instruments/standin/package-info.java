/**
 * How does an instrument behave that is not there: its rate, its noise, its end of range, a battery that dies, a connection that drops?
 *
 * <p>Main types: {@link org.ysometron.instruments.standin.Served}, {@link org.ysometron.instruments.standin.Journal}. Knows nothing of lots and
 * specimens.
 */
@NullMarked
package org.ysometron.instruments.standin;

import org.jspecify.annotations.NullMarked;
