/**
 * How was a number arrived at? Ordered steps with the numbers in them, made by the functions that compute.
 *
 * <p>Main type: {@link org.ysometron.core.working.Working}. Knows nothing of what is being computed.
 */
@NullMarked
package org.ysometron.core.working;

import org.jspecify.annotations.NullMarked;
