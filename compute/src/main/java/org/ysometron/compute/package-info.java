/**
 * How does somebody validate the calculations without the pages? JSON cases in, JSON answers out.
 *
 * <p>Main type: {@link org.ysometron.compute.Main}. Knows nothing of the application; computes nothing itself.
 */
@NullMarked
package org.ysometron.compute;

import org.jspecify.annotations.NullMarked;
