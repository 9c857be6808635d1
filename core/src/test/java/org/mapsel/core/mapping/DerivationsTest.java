package org.mapsel.core.mapping;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.model.DerivedField;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.Overrides;
import org.mapsel.core.model.RecordType;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;
import org.mapsel.core.ref.TypeId;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.ScalarText;
import org.mapsel.core.testing.Descriptions;
import org.mapsel.core.value.ListValue;
import org.mapsel.core.value.RecordValue;
import org.mapsel.core.value.Value;
import tools.jackson.databind.json.JsonMapper;

/** Derived fields of each kind. */
class DerivationsTest {

  private static final Service SERVICE = Descriptions.service("/editions/derived.yaml");
  private static final Operation READ = Descriptions.operation(SERVICE, "readCall");
  private static final RecordValue RECORD =
      ValueJson.readRecord(
          new JsonMapper()
              .readTree(
                  """
                  {"name":"Marrow Tern","remark":"berth N6, tide 14",
                   "length":12.5,"etaUtc":"2031-05-14T06:40:00Z",
                   "blob":"eyJwaWxvdCI6eyJuYW1lIjoiQWRhIn19",
                   "inner":"{\\"pilot\\":[{\\"name\\":\\"Ada\\"},{\\"name\\":\\"Cora\\"}]}",
                   "xml":"<crew><mate rank=\\"1\\">Bo</mate><mate>Cy</mate></crew>",
                   "table":"code,tons\\nA,4\\nB,5\\n",
                   "hex":"4d61",
                   "entry":[{"key":"LOA","value":"129.7"},{"key":"BM","value":"18.4"}],
                   "cargo":[{"goods":"barley","tons":4,"done":true},{"goods":"slate","tons":1.5,"done":false},
                            {"goods":"cider","tons":8,"done":true}]}"""),
          SERVICE.shapes(),
          READ.output());

  private static final ShapeRef SHAPE = new ShapeRef("calls", READ.output());

  private static RecordType type(DerivedField... fields) {
    RecordType type = RecordType.of(new TypeId("Call_1"), "Call", SHAPE);
    for (DerivedField field : fields) {
      type = type.with(field);
    }
    return type;
  }

  private static String value(DerivedField.Rule rule) {
    Value value =
        new Derivations(type(), SERVICE.shapes(), READ.output()).of(rule).get().of(RECORD);
    return value instanceof RecordValue || value instanceof ListValue
        ? ValueJson.write(value).toString()
        : value.isAbsent() ? "nothing" : ScalarText.print(value);
  }

  private static String refused(DerivedField.Rule rule) {
    return new Derivations(type(), SERVICE.shapes(), READ.output())
        .of(rule)
        .findings()
        .get(0)
        .code();
  }

  private static DerivedField.Rule lookup(String key, String otherwise) {
    return new DerivedField.Rule.LookedUp(
        FieldPath.of("entry"), "key", key, "value", Optional.ofNullable(otherwise));
  }

  private static DerivedField.Rule decoded(
      String text, DerivedField.Coding coding, FieldPath inside) {
    return new DerivedField.Rule.Decoded(FieldPath.of(text), coding, inside);
  }

  private static DerivedField.Rule picked(int place, String where) {
    return new DerivedField.Rule.Picked(
        FieldPath.of("cargo"), place, Optional.ofNullable(where), FieldPath.of("goods"));
  }

  private static DerivedField.Rule folded(DerivedField.Fold fold) {
    return new DerivedField.Rule.Folded(FieldPath.of("cargo", "tons"), fold, " + ");
  }

  @Test
  void keysAreLookedUp() {
    assertThat(value(lookup("BM", null))).isEqualTo("18.4");
    assertThat(value(lookup("DRF", null))).isEqualTo("nothing");
    assertThat(value(lookup("DRF", "0"))).isEqualTo("0");
  }

  @Test
  void textsAreCutAndDecoded() {
    assertThat(
            value(
                new DerivedField.Rule.CutOut(
                    FieldPath.of("remark"), "berth (?P<berth>\\w+)", "berth")))
        .isEqualTo("N6");
    assertThat(value(decoded("blob", DerivedField.Coding.BASE64, FieldPath.ROOT)))
        .isEqualTo("{\"pilot\":{\"name\":\"Ada\"}}");
    assertThat(value(decoded("hex", DerivedField.Coding.HEX, FieldPath.ROOT))).isEqualTo("Ma");
    assertThat(
            value(
                decoded(
                    "inner",
                    DerivedField.Coding.JSON,
                    FieldPath.of("pilot").then(new Step.PickByPlace(-1)).then("name"))))
        .isEqualTo("Cora");
    assertThat(value(decoded("xml", DerivedField.Coding.XML, FieldPath.ROOT)))
        .isEqualTo("{\"mate\":[{\"rank\":\"1\"},\"Cy\"]}");
    assertThat(value(decoded("table", DerivedField.Coding.CSV, FieldPath.of("tons"))))
        .isEqualTo("4");
    assertThat(value(decoded("name", DerivedField.Coding.JSON, FieldPath.ROOT)))
        .as("no JSON")
        .isEqualTo("nothing");
    assertThat(value(decoded("name", DerivedField.Coding.HEX, FieldPath.ROOT)))
        .isEqualTo("nothing");
  }

  @Test
  void oneOfSeveralIsPicked() {
    assertThat(value(picked(0, null))).isEqualTo("barley");
    assertThat(value(picked(-1, null))).isEqualTo("cider");
    assertThat(value(picked(1, "done"))).isEqualTo("cider");
    assertThat(value(picked(5, null))).isEqualTo("nothing");
  }

  @Test
  void severalArePutTogether() {
    assertThat(value(folded(DerivedField.Fold.COUNT))).isEqualTo("3");
    assertThat(value(folded(DerivedField.Fold.SUM))).isEqualTo("13.5");
    assertThat(value(folded(DerivedField.Fold.LEAST))).isEqualTo("1.5");
    assertThat(value(folded(DerivedField.Fold.MOST))).isEqualTo("8");
    assertThat(value(folded(DerivedField.Fold.MEAN))).isEqualTo("4.5");
    assertThat(value(folded(DerivedField.Fold.JOIN))).isEqualTo("4 + 1.5 + 8");
  }

  @Test
  void formulasSeeTheFieldsAndOtherDerivedOnes() {
    RecordType type =
        type(
            new DerivedField("loa", lookup("LOA", null), Overrides.NONE),
            new DerivedField(
                "label", new DerivedField.Rule.Computed("name + ' (' + loa + ')'"), Overrides.NONE),
            new DerivedField(
                "round", new DerivedField.Rule.Computed("'' + circle"), Overrides.NONE),
            new DerivedField(
                "circle", new DerivedField.Rule.Computed("'' + round"), Overrides.NONE));
    Derivations derivations = new Derivations(type, SERVICE.shapes(), READ.output());

    assertThat(derivations.of("label").get().of(RECORD))
        .isEqualTo(Value.text("Marrow Tern (129.7)"));
    assertThat(derivations.of("circle").value()).as("needs its own value").isEmpty();
    assertThat(value(new DerivedField.Rule.Computed("cargo.filter(c, c.done).size()")))
        .isEqualTo("2");
    assertThat(derivations.of("gone").findings().get(0).code())
        .isEqualTo("MAPPING_DERIVED_MISSING");
  }

  @Test
  void whatIsWrongIsToldBeforeItRuns() {
    assertThat(
            refused(
                new DerivedField.Rule.LookedUp(
                    FieldPath.of("entries"), "key", "LOA", "value", Optional.empty())))
        .isEqualTo("MAPPING_FIELD_MISSING");
    assertThat(refused(new DerivedField.Rule.CutOut(FieldPath.of("remark"), "(?P<a>x)", "b")))
        .isEqualTo("MAPPING_GROUP_MISSING");
    assertThat(refused(picked(0, "gone"))).isEqualTo("FORMULA_WRONG");
  }

  @Test
  void valuesStandInTheSampleBesideWhatTheyAreMadeOf() {
    Model model =
        Model.EMPTY.with(type(new DerivedField("loa", lookup("LOA", null), Overrides.NONE)));

    Value with = new DerivedValues(model, "calls", SERVICE.shapes()).in(RECORD, READ.output());
    assertThat(with.at(FieldPath.of(DerivedValues.MEMBER, "loa"))).isEqualTo(Value.text("129.7"));
  }
}
