/**
 * Is a lot still the material of the lots before it?
 *
 * <p>Main types: {@link org.ysometron.app.drift.Signals}, {@link org.ysometron.app.drift.Baselines}. Knows nothing of
 * decisions.
 */
@NullMarked
package org.ysometron.app.drift;

import org.jspecify.annotations.NullMarked;
