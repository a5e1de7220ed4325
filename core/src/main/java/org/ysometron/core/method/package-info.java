/**
 * What does one specimen's test say? Each test method is one class with a file beside it: readings to figures by characteristic.
 *
 * <p>Main types: {@link org.ysometron.core.method.Method}, {@link org.ysometron.core.method.MethodData}, {@link
 * org.ysometron.core.method.Methods}, {@link org.ysometron.core.method.Characteristics}. Knows nothing of lots or claims.
 */
@NullMarked
package org.ysometron.core.method;

import org.jspecify.annotations.NullMarked;
