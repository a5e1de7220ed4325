/**
 * How the files that ship with the core are read: node by node, each slip said with file and line.
 *
 * <p>Main type: {@link org.ysometron.core.data.DataFile}. It must not know what a file is about.
 */
@NullMarked
package org.ysometron.core.data;

import org.jspecify.annotations.NullMarked;
