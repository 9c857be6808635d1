package org.mapsel.core.value;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Lists of many records, which are kept as a table. */
class RowsTest {

  private static final Layout LAYOUT = Layout.of(List.of("berth", "note", "stops"));

  private static List<Value> records(int count) {
    List<Value> records = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      Value note = i % 3 == 0 ? null : i % 3 == 1 ? Value.NULL : Value.text("note " + i);
      Value stops = ListValue.of(Value.text("a" + i), NumberValue.of(i));
      records.add(RecordValue.owning(LAYOUT, new Value[] {NumberValue.of(i), note, stops}));
    }
    return records;
  }

  private static ListValue list(List<Value> items) {
    ListBuilder list = new ListBuilder();
    items.forEach(list::add);
    return list.build();
  }

  @ParameterizedTest
  @ValueSource(ints = {0, 1, 31, 32, 33, 255, 256, 257, 512, 700})
  void listsAreTheSameHoweverLongTheyAre(int count) {
    List<Value> records = records(count);
    assertThat(list(records).items()).isEqualTo(records).hasSize(count);
    ListBuilder twice = new ListBuilder();
    twice.addAll(list(records));
    twice.addAll(list(records));
    List<Value> both = new ArrayList<>(records);
    both.addAll(records);
    assertThat(twice.build().items()).isEqualTo(both);
  }

  @Test
  void aTableGivesBackTheRecordsThatWerePutIntoIt() {
    List<Value> records = records(100);
    ListValue list = list(records);

    assertThat(list.items()).isInstanceOf(Rows.class).isEqualTo(records);
    assertThat(list.hashCode()).isEqualTo(new ListValue(records(100)).hashCode());
    RecordValue third = (RecordValue) list.items().get(2);
    assertThat(third.get("note")).isEqualTo(Value.text("note 2"));
    assertThat(third.present()).isEqualTo(3);
    assertThat(((RecordValue) list.items().get(0)).get("note").isAbsent()).isTrue();
    assertThat(new ListValue(list.items()).items()).isSameAs(list.items());
  }

  @Test
  void nobodyChangesATable() {
    List<Value> records = records(40);
    ListValue list = list(records);
    records.clear();
    assertThat(list.items()).hasSize(40);
    assertThatThrownBy(() -> list.items().add(Value.NULL))
        .isInstanceOf(UnsupportedOperationException.class);
    assertThatThrownBy(() -> list.items().get(40)).isInstanceOf(IndexOutOfBoundsException.class);
  }

  @Test
  void whatIsNotAllAlikeStaysAList() {
    List<Value> mixed = records(40);
    mixed.set(39, RecordValue.of(Map.of("berth", Value.text("B 3"))));
    List<Value> odd = records(40);
    odd.set(20, Value.text("odd"));
    List<Value> late = records(600);
    late.set(599, Value.NULL);
    for (List<Value> items : List.of(mixed, odd, late, records(3))) {
      assertThat(list(items).items()).isNotInstanceOf(Rows.class).isEqualTo(items);
    }
  }
}
