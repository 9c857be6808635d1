/**
 * Formulas in the Common Expression Language: checked against the types of the fields in reach
 * before they run, and bounded in what they may cost.
 *
 * <p>In: a text and the types of its variables. Out: a program that makes a value of values.
 */
@NullMarked
package org.mapsel.core.formula;

import org.jspecify.annotations.NullMarked;
