/**
 * In what state is the material, how does it cure, and what does a metre of it cost?
 *
 * <p>Main types: {@link org.ysometron.core.material.WorkingCurve}, {@link org.ysometron.core.material.Drying}, {@link
 * org.ysometron.core.material.Conditioning}, {@link org.ysometron.core.material.Price}. Knows nothing of specimens or
 * claims.
 */
@NullMarked
package org.ysometron.core.material;

import org.jspecify.annotations.NullMarked;
