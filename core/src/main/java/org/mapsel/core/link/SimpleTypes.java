package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.declare.TypeDeclaration;
import org.mapsel.core.declare.TypeRef;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.shape.Facets;
import org.mapsel.core.shape.ScalarType;
import org.mapsel.core.shape.Shape;

/** Simple types to scalar shapes: the chain of bases walked down to the built-in one. */
final class SimpleTypes {

  private final ShapeBuilder builder;

  SimpleTypes(ShapeBuilder builder) {
    this.builder = builder;
  }

  Shape.Scalar scalar(ShapeId id, TypeDeclaration.Simple type) {
    return scalar(id, type, new HashSet<>());
  }

  private Shape.Scalar scalar(ShapeId id, TypeDeclaration.Simple type, Set<Name> open) {
    return switch (type.variety()) {
      case LIST -> {
        Shape.Scalar item =
            type.bases().isEmpty() ? BuiltInTypes.text() : base(type.bases().get(0), open);
        yield new Shape.Scalar(id, ScalarType.LIST, "xs:list", type.facets(), Optional.of(item));
      }
      case UNION -> union(id, type, open);
      case ATOMIC -> {
        Shape.Scalar base =
            type.bases().isEmpty() ? BuiltInTypes.text() : base(type.bases().get(0), open);
        yield base.as(id, type.facets().over(base.facets()));
      }
    };
  }

  private Shape.Scalar union(ShapeId id, TypeDeclaration.Simple type, Set<Name> open) {
    List<String> allowed = new ArrayList<>();
    for (TypeRef member : type.bases()) {
      Shape.Scalar scalar = base(member, new HashSet<>(open));
      if (scalar.facets().enumeration().isEmpty()) {
        // One free member lets anything in.
        return new Shape.Scalar(
            id,
            ScalarType.TEXT,
            "xs:union",
            type.facets(),
            type.facets().enumeration().isEmpty() ? Optional.of(scalar) : Optional.empty());
      }
      allowed.addAll(scalar.facets().enumeration());
    }
    Facets enumerated = Facets.oneOf(allowed.stream().distinct().toList());
    return new Shape.Scalar(id, ScalarType.TEXT, "xs:union", enumerated);
  }

  /** The scalar that a reference leads to; plain text where it leads nowhere. */
  Shape.Scalar base(TypeRef type, Set<Name> open) {
    return switch (type) {
      case TypeRef.Anything any -> BuiltInTypes.text();
      case TypeRef.Inline inline -> declared(inline.type(), open);
      case TypeRef.Named named -> {
        Optional<Shape> builtIn = BuiltInTypes.find(named.name());
        if (builtIn.isPresent()) {
          yield builtIn.get() instanceof Shape.Scalar scalar ? scalar : BuiltInTypes.text();
        }
        TypeDeclaration declaration = builder.declarations().types().get(named.name());
        if (declaration == null) {
          builder.missing("XSD_TYPE_MISSING", named.name(), named.place());
          yield BuiltInTypes.text();
        }
        if (!open.add(named.name())) {
          builder
              .findings()
              .add(
                  Finding.error("XSD_TYPE_EXTENDS_ITSELF", "name", named.name().toString())
                      .at(named.place()));
          yield BuiltInTypes.text();
        }
        yield declared(declaration, open);
      }
    };
  }

  private Shape.Scalar declared(TypeDeclaration type, Set<Name> open) {
    return switch (type) {
      case TypeDeclaration.Simple simple -> scalar(BuiltInTypes.text().id(), simple, open);
      // A complex type with simple content stands on another one: its text is what counts here.
      case TypeDeclaration.Complex complex -> {
        if (complex.derivation().isEmpty()) {
          yield BuiltInTypes.text();
        }
        Shape.Scalar base = base(complex.derivation().get().base(), open);
        yield base.as(base.id(), complex.facets().over(base.facets()));
      }
    };
  }
}
