/**
 * What do we make, and what have we published about it?
 *
 * <p>Main types: {@link org.ysometron.app.product.Products}, {@link org.ysometron.app.product.Claim}. Knows nothing of lots.
 */
@NullMarked
package org.ysometron.app.product;

import org.jspecify.annotations.NullMarked;
