package org.mapsel.standins.declarations;

import com.fasterxml.jackson.annotation.JsonProperty;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.PositiveOrZero;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;

/** What is declared and what is answered, in the short names of an authority of long ago. */
final class Declaration {

  private Declaration() {}

  /** What a vessel is built for, by its code. */
  enum Kind {
    @JsonProperty("coaster")
    COASTER,
    @JsonProperty("trawler")
    TRAWLER,
    @JsonProperty("ferry")
    FERRY,
    @JsonProperty("tanker")
    TANKER,
    @JsonProperty("dredger")
    DREDGER
  }

  /** Where it lies. */
  enum Basin {
    @JsonProperty("north")
    NORTH,
    @JsonProperty("south")
    SOUTH,
    @JsonProperty("inner")
    INNER
  }

  /** Why something is declared. */
  enum Reason {
    ARRIVAL,
    SHIFTING,
    DEPARTURE
  }

  /** The vessel. */
  record Vessel(
      @NotNull
          @Pattern(regexp = "S-[0-9]{5}")
          @Schema(description = "Key of the vessel.")
          @JsonProperty("hull_no")
          String hullNo,
      @NotNull @Size(max = 80) @Schema(description = "Registered name.") @JsonProperty("vsl_name")
          String name,
      @Schema(description = "Radio call sign.") @JsonProperty("call_sgn") String callSign,
      @JsonProperty("frmr_name") String formerName,
      @NotNull @Schema(description = "What it is built for.") @JsonProperty("vsl_kind") Kind kind,
      @NotNull @Schema(description = "State of registry.") @JsonProperty("flag_st")
          String flagState,
      @JsonProperty("home_prt") String homePort,
      @Min(1850) @Max(2100) @JsonProperty("yr_built") Integer yearBuilt,
      @JsonProperty("bldr") String builder,
      @JsonProperty("ownr") String owner,
      @JsonProperty("oprtr") String operator,
      @NotNull @Positive @Schema(description = "Length over all in metres.") @JsonProperty("len_m")
          BigDecimal length,
      @Positive @JsonProperty("beam_m") BigDecimal beam,
      @NotNull
          @Positive
          @Schema(description = "Deepest draught in metres.")
          @JsonProperty("drght_m")
          BigDecimal draught,
      @Positive @Schema(description = "Height above water in metres.") @JsonProperty("air_drght_m")
          BigDecimal airDraught,
      @NotNull @Positive @Schema(description = "Gross tonnage.") @JsonProperty("grs_tng")
          Integer grossTonnage,
      @Positive @Schema(description = "Net tonnage.") @JsonProperty("net_tng") Integer netTonnage,
      @PositiveOrZero @Schema(description = "Deadweight in tonnes.") @JsonProperty("dwt_t")
          Integer deadweight,
      @PositiveOrZero @JsonProperty("eng_pwr_kw") Integer enginePower,
      @JsonProperty("bow_thrstr") Boolean bowThruster,
      @JsonProperty("ice_cls") String iceClass,
      @PositiveOrZero @Schema(description = "How many passengers.") @JsonProperty("pax_cnt")
          Integer passengers,
      @NotNull @Positive @Schema(description = "How many crew.") @JsonProperty("crew_cnt")
          Integer crew,
      @Schema(description = "Who is in command.") @JsonProperty("mstr_name") String master,
      @JsonProperty("ins_until") LocalDate insuredUntil,
      @Schema(description = "Day of the next survey.") @JsonProperty("nxt_svy_on")
          LocalDate nextSurvey,
      @JsonProperty("haz_cls") String hazardClass) {}

  /** Its call at the port. */
  record PortCall(
      @Schema(description = "Number of the arrival at the berthing office.") @JsonProperty("arr_id")
          Long arrivalId,
      @NotNull @Schema(description = "When it is expected.") @JsonProperty("eta_utc")
          OffsetDateTime eta,
      @JsonProperty("etd_utc") OffsetDateTime etd,
      @NotNull @JsonProperty("basin_cd") Basin basin,
      @JsonProperty("brth_no") String berth,
      @Schema(description = "State of the arrival.") @JsonProperty("arr_st") String state,
      @JsonProperty("plt_ord") Boolean pilotOrdered,
      @Positive @Schema(description = "Draught on arrival in metres.") @JsonProperty("arr_drght_m")
          BigDecimal arrivalDraught,
      @NotNull @Schema(description = "Port it comes from.") @JsonProperty("lst_prt")
          String lastPort,
      @JsonProperty("nxt_prt") String nextPort,
      @NotNull @JsonProperty("agt_name") String agent) {}

  /** What it wants to land. */
  record Waste(
      @Schema(description = "Whether waste was declared.") @JsonProperty("wst_decl")
          Boolean declared,
      @PositiveOrZero
          @Schema(description = "Waste to be landed in cubic metres.")
          @JsonProperty("wst_m3")
          BigDecimal volume) {}

  /** Who declares it. */
  record Desk(
      @NotNull
          @NotBlank
          @Size(max = 80)
          @Schema(description = "Who declares, at the desk.")
          @JsonProperty("decl_by")
          String by,
      @NotNull @Schema(description = "Why it is declared.") @JsonProperty("decl_rsn") Reason reason,
      @Schema(description = "Where it is signed.") @JsonProperty("sgn_plc") String place,
      @Schema(description = "Day of the declaration.") @JsonProperty("decl_on") LocalDate on,
      @Size(max = 200) @JsonProperty("rmks") String remarks) {}

  /** All of it. */
  record Wanted(
      @NotNull @Valid Vessel vsl,
      @NotNull @Valid @JsonProperty("prt_call") PortCall portCall,
      @Valid @JsonProperty("wst") Waste waste,
      @NotNull @Valid Desk desk) {}

  /** Something the office says to it. */
  record Remark(@NotNull String cd, @NotNull String txt) {}

  /** What was taken in. */
  record Taken(
      @NotNull @JsonProperty("decl_no") String number,
      @NotNull @JsonProperty("rcvd_at") OffsetDateTime receivedAt,
      @NotNull List<Remark> rmks) {}

  /** One that was taken in before. */
  record Kept(
      @NotNull @JsonProperty("decl_no") String number,
      @NotNull Wanted decl,
      @NotNull List<Remark> rmks) {}

  /** What the mooring is judged by. */
  record Measures(
      @NotNull @Positive @JsonProperty("len_m") BigDecimal length,
      @NotNull @Positive @JsonProperty("beam_m") BigDecimal beam,
      @NotNull @Positive @JsonProperty("drght_m") BigDecimal draught,
      @NotNull @JsonProperty("basin_cd") Basin basin,
      @NotNull @PositiveOrZero @Schema(description = "Wind in knots.") @JsonProperty("wnd_kn")
          BigDecimal wind,
      @JsonProperty("bow_thrstr") Boolean bowThruster) {}

  /** How well it can be moored. */
  enum Grade {
    EASY,
    WITH_CARE,
    WITH_TUGS,
    NOT_TODAY
  }

  /** Why the score is not a hundred. */
  record Point(
      @NotNull String cd, @NotNull String txt, @NotNull @JsonProperty("pts") Integer points) {}

  /** The advice. */
  record Advice(
      @NotNull @Schema(description = "100 is the best.") Integer score,
      @NotNull Grade grade,
      @NotNull List<Point> rsns) {}
}
