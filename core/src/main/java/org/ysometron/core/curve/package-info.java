/**
 * Records of force and extension: what they are, how they come in files, and the points that are found on them. It knows no page.
 *
 * <p>Main types: {@link org.ysometron.core.curve.Trace}, {@link org.ysometron.core.curve.Analysis}.
 */
@NullMarked
package org.ysometron.core.curve;

import org.jspecify.annotations.NullMarked;
