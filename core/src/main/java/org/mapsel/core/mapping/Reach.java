package org.mapsel.core.mapping;

import java.util.Map;
import java.util.Optional;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.shape.ValueType;

/** What a slot can be filled from: the types of all that a {@link Scope} would find. */
public interface Reach {

  /** A record with the service that it belongs to, which tells its record type. */
  record Typed(ValueType type, String service) {}

  Optional<ValueType> entered(PartId input);

  Optional<Typed> argument(String name);

  /** The rows that are chosen from in a part. */
  Optional<Typed> chosen(PartId part);

  Optional<Typed> returned(CallId call);

  /** The rows around the slot. */
  Optional<Typed> row();

  /** What a formula may name, each with the source that it stands for. */
  Map<String, Source> variables();
}
