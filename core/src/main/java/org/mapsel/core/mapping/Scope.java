package org.mapsel.core.mapping;

import java.util.Map;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** What sources find when a page is drawn or used; what is not there is {@link Value#ABSENT}. */
public interface Scope {

  Value entered(PartId input);

  Value argument(String name);

  /** The row that is chosen in a part. */
  Value chosen(PartId part);

  Value returned(CallId call);

  /** The row that is looked at. */
  Value row();

  Value run(Source.Run.What what);

  /** The same while one row is looked at. */
  default Scope at(Value row) {
    return new Closer(this, row, Map.of());
  }

  /** The same while one of several lines that were filled in is looked at, by its inputs. */
  default Scope onLine(Map<PartId, Value> line) {
    return new Closer(this, row(), line);
  }
}
