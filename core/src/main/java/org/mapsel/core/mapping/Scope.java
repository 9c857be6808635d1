package org.mapsel.core.mapping;

import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/** What sources find when a page is drawn or used; what is not there is {@link Value#ABSENT}. */
public interface Scope {

  Value entered(PartId input);

  Value argument(String name);

  /** The row that is chosen in a part. */
  Value chosen(PartId part);

  Value draft(PartId form);

  Value returned(CallId call);

  /** The row that is looked at. */
  Value row();

  Value run(Source.Run.What what);

  /** The same while one row is looked at. */
  default Scope at(Value row) {
    Scope around = this;
    return new Scope() {
      @Override
      public Value entered(PartId input) {
        return around.entered(input);
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
      public Value draft(PartId form) {
        return around.draft(form);
      }

      @Override
      public Value returned(CallId call) {
        return around.returned(call);
      }

      @Override
      public Value row() {
        return row;
      }

      @Override
      public Value run(Source.Run.What what) {
        return around.run(what);
      }
    };
  }
}
