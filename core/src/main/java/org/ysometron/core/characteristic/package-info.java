/**
 * What can be claimed and charted: a name that is fixed, with its one definition, its unit and its digits.
 *
 * <p>Main type: {@link org.ysometron.core.characteristic.Characteristic}. It must not know how a characteristic is got.
 */
@NullMarked
package org.ysometron.core.characteristic;

import org.jspecify.annotations.NullMarked;
