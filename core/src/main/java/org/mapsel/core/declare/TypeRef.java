package org.mapsel.core.declare;

import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/** A type as a declaration mentions it. */
public sealed interface TypeRef {

  /** By name; whether it exists is for linking to find out. */
  record Named(Name name, Place place) implements TypeRef {}

  /** Written in place. */
  record Inline(TypeDeclaration type) implements TypeRef {}

  /** Not said: anything. */
  record Anything() implements TypeRef {}
}
