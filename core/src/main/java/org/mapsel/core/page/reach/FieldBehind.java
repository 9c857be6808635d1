package org.mapsel.core.page.reach;

import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.FieldRef;
import org.mapsel.core.model.Look;
import org.mapsel.core.model.Looks;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.shape.Field;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;

/** The field that something on a page stands for. */
public sealed interface FieldBehind {

  /** How it looks, with what a page alone says of it. */
  Look look(Looks looks, Overrides only);

  /** A described field. */
  record Described(FieldPath path, Field field, Shape shape, FieldRef ref) implements FieldBehind {
    @Override
    public Look look(Looks looks, Overrides only) {
      return looks.of(path, field, shape, ref, only);
    }
  }

  /** A derived field, whose values are of a type. */
  record Made(RecordType owner, DerivedField field, ScalarType type) implements FieldBehind {
    @Override
    public Look look(Looks looks, Overrides only) {
      return looks.of(field, type, only);
    }
  }
}
