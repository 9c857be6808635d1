package org.mapsel.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.value.Value;
import tools.jackson.databind.json.JsonMapper;

class CodesOfRowsTest {

  private static Value value(String json) {
    return ValueJson.read(new JsonMapper().readTree(json.replace('\'', '"')));
  }

  private static CodesOfRows of(String json) {
    return CodesOfRows.of(
        value(json), FieldPath.of("list", "row"), FieldPath.of("code"), FieldPath.of("at", "name"));
  }

  @Test
  void eachCodeStandsOnceWithTheFirstWordsThatThereAre() {
    assertThat(
            of("{'list':{'row':[{'code':'N','at':{'name':''}},{'code':7,'at':{'name':'Seven'}},"
                    + "{'at':{'name':'nothing'}},{'code':'N','at':{'name':'North'}},{'code':'S'}]}}")
                .items())
        .containsExactly(new Choice("N", "North"), new Choice("7", "Seven"), new Choice("S", "S"));
    assertThat(of("{'list':{}}").items()).isEmpty();
  }

  @Test
  void listsThatAreTooLongSaySo() {
    String rows =
        String.join(
            ",",
            IntStream.rangeClosed(0, CodesOfRows.MOST)
                .mapToObj(one -> "{'code':" + one + "}")
                .toList());
    CodesOfRows found = of("{'list':{'row':[" + rows + "]}}");
    assertThat(found.items()).hasSize(CodesOfRows.MOST);
    assertThat(found.whole()).isFalse();
  }
}
