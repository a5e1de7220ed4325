/**
 * What do instruments and whoever listens to them say to each other, so that each reading is taken exactly once?
 *
 * <p>Main types: {@link org.ysometron.instruments.wire.Message}, {@link org.ysometron.instruments.wire.Wire},
 * {@link org.ysometron.instruments.wire.Receiver}. Described for authors of drivers in {@code docs/instruments.md}.
 */
@NullMarked
package org.ysometron.instruments.wire;

import org.jspecify.annotations.NullMarked;
