/**
 * Which specimens does the site make besides the delivered ones?
 *
 * <p>Main types: {@link org.ysometron.app.design.SiteDesigns}. Knows nothing of products and lots.
 */
@NullMarked
package org.ysometron.app.design;

import org.jspecify.annotations.NullMarked;
