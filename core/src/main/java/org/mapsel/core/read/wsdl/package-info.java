/**
 * WSDL 1.1 documents to declarations; schemas inside and beside them go through {@code read.xsd}.
 */
@NullMarked
package org.mapsel.core.read.wsdl;

import org.jspecify.annotations.NullMarked;
