package org.mapsel.core.page.offer;

import java.util.List;
import org.mapsel.core.page.Call;
import org.mapsel.core.value.RecordValue;

/** What services were really sent and really answered, as far as it is kept. */
public interface SeenSamples {

  /** Nothing was called yet. */
  SeenSamples NONE =
      new SeenSamples() {
        @Override
        public List<RecordValue> sent(Call call) {
          return List.of();
        }

        @Override
        public List<RecordValue> answered(Call call) {
          return List.of();
        }
      };

  /** Parameters of the operation of a call, the newest first. */
  List<RecordValue> sent(Call call);

  /** Answers of the operation of a call, the newest first; none that was made up. */
  List<RecordValue> answered(Call call);
}
