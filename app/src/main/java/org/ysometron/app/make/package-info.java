/**
 * How was each specimen made: on which printer by which recipe, where on the plate and in the chamber, and what was done to
 * it since?
 *
 * <p>Main types: {@link org.ysometron.app.make.Runs}, {@link org.ysometron.app.make.Chambers}, {@link
 * org.ysometron.app.make.Histories}. Knows nothing of readings.
 */
@NullMarked
package org.ysometron.app.make;

import org.jspecify.annotations.NullMarked;
