/**
 * What a grade that a person gives can be: bounded scales in their revisions, each grade with a drawn example, and what a sum of grades is.
 *
 * <p>Main types: {@link org.ysometron.core.rubric.Rubric}, {@link org.ysometron.core.rubric.Rubrics}, {@link
 * org.ysometron.core.rubric.Score}. It must not know which method asks for a grade.
 */
@NullMarked
package org.ysometron.core.rubric;

import org.jspecify.annotations.NullMarked;
