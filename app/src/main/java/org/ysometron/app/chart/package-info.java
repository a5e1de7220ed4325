/**
 * How are values laid out on paper? Scales and rounded ticks, shared by the drawings of all slices.
 *
 * <p>Main type: {@link org.ysometron.app.chart.Scale}. Knows nothing of what is drawn.
 */
@NullMarked
package org.ysometron.app.chart;

import org.jspecify.annotations.NullMarked;
