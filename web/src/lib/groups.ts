/** Which fields and choices stand together on screen, in the order of work. What the arrangement does not ask for
 *  is left out by the server, so a group lists all that may ever stand in it. */
export type Group = { title: string; rows: readonly string[] };

export const ENGINE: Group = {
  title: "Engine output",
  rows: [
    "curve_source",
    "measured_curve",
    "peak_torque",
    "peak_torque_speed",
    "peak_power",
    "peak_power_speed",
    "curve_reference",
    "air",
    "dry_pressure",
    "intake_temperature",
    "driveline_loss",
  ],
};

export const STAGE: Group = {
  title: "Planned stage",
  rows: ["stage_plan", "stage_gain", "replacement_curve"],
};

export const USE: Group = { title: "Use", rows: ["use", "use_factor"] };

export const CHOOSE: readonly Group[] = [
  {
    title: "Primary drive",
    rows: ["primary_source", "primary_ratio", "basket_gear_teeth", "crank_gear_teeth", "primary_efficiency"],
  },
  {
    title: "Stack",
    rows: ["disc_count", "friction_plate_count", "outer_diameter", "inner_diameter", "interface_efficiency"],
  },
  {
    title: "Facing",
    rows: [
      "facing_material",
      "friction_low",
      "friction_nominal",
      "friction_high",
      "pressure_limit",
      "coverage",
      "capacity_model",
      "pressure_slope",
    ],
  },
  {
    title: "Clamp",
    rows: [
      "clamp_source",
      "cover_clamp",
      "spring_lengths",
      "spring_count",
      "spring_rate_source",
      "spring_rate",
      "wire_diameter",
      "coil_mean_diameter",
      "active_coils",
      "shear_modulus",
      "spring_free_length",
      "spring_free_lengths",
      "spring_installed_length",
      "diaphragm_outer_diameter",
      "diaphragm_inner_diameter",
      "diaphragm_thickness",
      "diaphragm_cone_height",
      "diaphragm_set",
      "plate_seat_diameter",
      "fulcrum_diameter",
      "finger_tip_diameter",
    ],
  },
  {
    title: "Finer points",
    rows: [
      "bearing",
      "bearing_preload",
      "lever_ratio",
      "strap_force",
      "fingers",
      "finger_mass",
      "finger_centroid_radius",
      "finger_offset",
      "adjuster",
      "adjuster_range",
      "hub",
      "ramp_radius",
      "ramp_angle",
      "sustained_temperature",
      "brief_temperature",
      "fade_share",
    ],
  },
];
