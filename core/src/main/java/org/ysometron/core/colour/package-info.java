/**
 * How far two colours lie apart, and how much light one sends back.
 *
 * <p>Main type: {@link org.ysometron.core.colour.Lab}. It must not know what was coloured.
 */
@NullMarked
package org.ysometron.core.colour;

import org.jspecify.annotations.NullMarked;
