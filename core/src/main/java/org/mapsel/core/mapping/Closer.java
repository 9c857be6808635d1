package org.mapsel.core.mapping;

import java.util.Map;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** A scope that looks at one row, or one line, of what is around. */
record Closer(Scope around, Value row, Map<PartId, Value> line) implements Scope {

  @Override
  public Value entered(PartId input) {
    Value typed = line.get(input);
    return typed == null ? around.entered(input) : typed;
  }

  @Override
  public Value argument(String name) {
    return around.argument(name);
  }

  @Override
  public Value chosen(PartId part) {
    return around.chosen(part);
  }

  @Override
  public Value returned(CallId call) {
    return around.returned(call);
  }

  @Override
  public Value run(Source.Run.What what) {
    return around.run(what);
  }
}
