/**
 * Which invented company is shown to somebody who tries the application?
 *
 * <p>Main type: {@link org.ysometron.app.demo.Tidewrack}. Uses the slices as a person would; no slice knows it.
 */
@NullMarked
package org.ysometron.app.demo;

import org.jspecify.annotations.NullMarked;
