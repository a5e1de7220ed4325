/**
 * What have we told people about a product, does it agree with itself, and could anybody test it?
 *
 * <p>Main types: {@link org.ysometron.core.publication.Statement}, {@link org.ysometron.core.publication.Conflict}, {@link
 * org.ysometron.core.publication.Completeness}. Judges no evidence: that is the claim package's.
 */
@NullMarked
package org.ysometron.core.publication;

import org.jspecify.annotations.NullMarked;
