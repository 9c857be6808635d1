package org.mapsel.bench;

import org.mapsel.core.mapping.Derivation;
import org.mapsel.core.mapping.Derivations;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.ref.ShapeId;
import org.mapsel.core.ref.TypeId;
import org.mapsel.core.service.Service;
import org.mapsel.core.testing.Descriptions;

/** Derived fields over the records of a described operation. */
final class Derived {

  private Derived() {}

  static Derivation of(DerivedField.Rule rule) {
    Service service = Descriptions.service("/editions/derived.yaml");
    ShapeId shape = Descriptions.operation(service, "readCall").output();
    RecordType type = RecordType.of(new TypeId("Call_1"), "Call", new ShapeRef("calls", shape));
    return new Derivations(type, service.shapes(), shape).of(rule).get();
  }
}
