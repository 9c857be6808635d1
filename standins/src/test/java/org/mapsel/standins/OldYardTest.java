package org.mapsel.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.mapsel.core.call.CallResult;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.message.Answer;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.testing.Client;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The yard by version 2 of its protocol, on a server with its own idea of it. */
class OldYardTest {

  private static ConfigurableApplicationContext context;
  private static Client yard;

  @BeforeAll
  static void start() {
    context = SpringApplication.run(StandIns.class, "--server.port=0");
    yard =
        new Client(
            "http://localhost:"
                + context.getEnvironment().getProperty("local.server.port")
                + "/yard2/$metadata");
  }

  @AfterAll
  static void stop() {
    context.close();
  }

  private static List<Value> rows(RecordValue returned) {
    return ((ListValue) returned.get("rows")).items();
  }

  private static String json(Value value) {
    return ValueJson.write(value).toString().replace('"', '\'');
  }

  @ParameterizedTest
  @CsvFileSource(resources = "/yard-filters.csv", delimiter = '|', numLinesToSkip = 1)
  void filters(String field, String comparison, String value, int rows) {
    // Version 2 knows no date without a time.
    String text = String.valueOf(value).replaceFirst("^(\\d{4}-\\d\\d-\\d\\d)$", "$1T00:00:00");
    String given = value == null ? "" : ",'value':'" + text.replace("'", "\\u0027") + "'";
    RecordValue read =
        yard.returned(
            "Cranes.list",
            "{'filter':[{'field':'"
                + field
                + "','comparison':'"
                + comparison
                + "'"
                + given
                + "}]}");
    assertThat(rows(read)).hasSize(rows);
  }

  @Test
  void rowsComeInPartsThatAreFollowed() {
    RecordValue all =
        yard.returned(
            "Cranes.list", "{'count':true,'orderby':[{'field':'Name','descending':true}]}");
    assertThat(rows(all)).hasSize(12);
    assertThat(all.at(FieldPath.of("count"))).hasToString("NumberValue[number=12]");
    assertThat(all.at(FieldPath.of("rows", "Name"))).hasToString("TextValue[text=Tern]");
    assertThat(json(rows(all).get(11))).contains("'Name':'Curlew'");
    assertThat(rows(yard.returned("Cranes.list", "{'top':3,'skip':1}"))).hasSize(3);
  }

  @Test
  void waysAreFollowed() {
    assertThat(rows(yard.returned("Cranes.Jobs", "{'Id':2}"))).hasSize(3);
    assertThat(json(yard.returned("Jobs.Crane", "{'Code':'J-2041'}"))).contains("'Old Meg'");
    assertThat(json(yard.returned("Lots.read", "{'Row':'B','Bay':2}"))).contains("'Bay':2");
  }

  @Test
  void entitiesAreMadeChangedAndDeleted() {
    RecordValue made =
        yard.returned(
            "Cranes.create",
            "{'Crane':{'Id':99,'Name':'New \u00e9','State':'Idle','Lifts':12.5,"
                + "'Built':'2031-01-02T00:00:00','Checked':'2031-05-14T06:40:00Z','Electric':false}}");
    assertThat(json(made)).contains("'Name':'New \u00e9','State':'Idle','Lifts':12.5");
    assertThat(json(made)).contains("2031-01-02T00:00:00", "2031-05-14T06:40:00");
    String key = "{'Id':" + json(made.get("Id"));
    yard.returned("Cranes.change", key + ",'Crane':{'State':'Working','Lifts':null}}");
    assertThat(json(yard.returned("Cranes.read", key + "}")))
        .contains("'State':'Working'", "'Lifts':null");
    yard.returned("Cranes.delete", key + "}");

    CallResult gone = yard.call("Cranes.read", key + "}");
    assertThat(((Answer.Failed) gone.answer().orElseThrow()).reason())
        .startsWith("There is nothing in Cranes");
  }
}
