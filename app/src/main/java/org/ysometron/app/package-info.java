/**
 * Where does the application start?
 *
 * <p>Main type: {@link org.ysometron.app.YsometronApplication}. The slices below it hold everything else.
 */
@NullMarked
package org.ysometron.app;

import org.jspecify.annotations.NullMarked;
