/**
 * What is read of a specimen: fields on a sheet, and how what somebody typed becomes readings or problems with a place.
 *
 * <p>Main types: {@link org.ysometron.core.reading.Sheet}, {@link org.ysometron.core.reading.Field}, {@link
 * org.ysometron.core.reading.Readings}, {@link org.ysometron.core.reading.Noted}. It must not know which method a sheet belongs to.
 */
@NullMarked
package org.ysometron.core.reading;

import org.jspecify.annotations.NullMarked;
