package org.mapsel.core.model;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mapsel.core.shape.ScalarType;

/** Readable labels from wire names. */
class LabelsTest {

  @ParameterizedTest
  @CsvSource({
    "hullNumber,Hull number",
    "etaUtc,ETA (UTC)",
    "ETA_utc,ETA (UTC)",
    "hull_no,Hull no.",
    "lengthM,Length (m)",
    "length_m,Length (m)",
    "gross_weight_kg,Gross weight (kg)",
    "IMDGClass,IMDG class",
    "vesselId,Vessel ID",
    "berth-no.2,Berth no. 2",
    "UTC,UTC",
    "m,M",
    "x,X",
    "__,__",
    "co2Pct,CO2 (%)"
  })
  void readLikeWords(String name, String label) {
    assertThat(Labels.of(name)).isEqualTo(label);
  }

  @ParameterizedTest
  @CsvSource({"arrivalId,true", "hull_no,true", "builtYear,true", "tonnes,false", "paid,false"})
  void numbersThatTellThingsApartHaveNoThousands(String name, boolean apart) {
    Format.Number format =
        (Format.Number)
            new Looks(Model.EMPTY).of(name, ScalarType.INTEGER, Overrides.NONE).format();

    assertThat(format.grouped()).isEqualTo(!apart);
  }
}
