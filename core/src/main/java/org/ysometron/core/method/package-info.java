/**
 * What does one specimen's test say? Readings to a result, one type per test method.
 *
 * <p>Main types: {@link org.ysometron.core.method.Tension}, {@link org.ysometron.core.method.Result}, {@link
 * org.ysometron.core.method.Outcome}. Knows nothing of lots or claims.
 */
@NullMarked
package org.ysometron.core.method;

import org.jspecify.annotations.NullMarked;
