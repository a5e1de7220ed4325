/**
 * What was read from which specimen, by whom, and what was corrected?
 *
 * <p>Main types: {@link org.ysometron.app.bench.Bench}, {@link org.ysometron.app.bench.SpecimenRecord}. Knows nothing of
 * claims or charts; says that readings changed and leaves the rest to who listens.
 */
@NullMarked
package org.ysometron.app.bench;

import org.jspecify.annotations.NullMarked;
