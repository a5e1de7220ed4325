/**
 * Who is signed in, and what may they do?
 *
 * <p>Main types: {@link org.ysometron.app.account.Accounts}. Knows nothing of lots.
 */
@NullMarked
package org.ysometron.app.account;

import org.jspecify.annotations.NullMarked;
