# frozen_string_literal: true

RSpec.describe Fenbo::Matching::Nameplate do
  def plate(text, **more)
    described_class.call({"text" => text}.merge(more.transform_keys(&:to_s)))
  end

  # Plates as they are printed: [line, some fields of the motor].
  {
    "208-230/460 V 1/4 HP 3 PH 60 Hz 1140 RPM CWLE 1.3/0.65 A TEAO" => {
      "volts" => [208, 230, 460],
      "amps" => [1.3, 1.3, 0.65],
      "horsepower" => 0.25,
      "family" => "three_phase",
      "poles" => 6,
      "rotation" => "cw",
      "rotation_view" => "lead_end",
      "enclosure" => "enclosed"
    },
    "230V 1,2A PSC 7.5 µF 370 VAC 900 rpm 6P 1 PH IP44 AMB 60C" => {
      "volts" => [230],
      "amps" => [1.2],
      "capacitor_uf" => 7.5,
      "capacitor_volts" => 370,
      "family" => "psc",
      "poles" => 6,
      "ambient_high_c" => 60,
      "enclosure" => "enclosed"
    },
    "P/N BR-S12-230-L 230 V~ 50Hz 420 mA 34 W 1300 r/min CCW SE CL F ZP shaft 1/4\"" => {
      "part_no" => "BR-S12-230-L",
      "amps" => [0.42],
      "watts" => 34,
      "shaft_diameter_mm" => 6.35,
      "rotation" => "ccw",
      "rotation_view" => "shaft_end",
      "poles" => 4
    },
    "V 230 Hz 50 A 0.25 W 10/34 1300/min" => {"watts" => 34, "horsepower" => (10 / 745.7).round(6), "amps" => [0.25]},
    "230V 50/60Hz 29/33W 0.2A 1300/1550 RPM" => {"watts" => 29},
    "MODEL AB-12 VOLTS 115/230 AMPS 3.0/1.5 HP 1/4 RPM 1075 HZ 60 PH 1 SF 1.0 OPEN AIR OVER ROT REV" => {
      "volts" => [115, 230],
      "amps" => [3.0, 1.5],
      "horsepower" => 0.25,
      "rpm" => 1075,
      "hertz" => [60],
      "phases" => 1,
      "service_factor" => 1.0,
      "rotation" => "reversible",
      "enclosure" => "open_air_over"
    },
    "0-10V EC 400 V 3~ 0.78 kW 1.9 A -25...60°C max" => {
      "control" => "0_10v",
      "family" => "ec",
      "volts" => [400],
      "watts" => 780,
      "ambient_low_c" => -25,
      "ambient_high_c" => 60,
      "phases" => 3
    },
    "1 1/2 HP 400 V 2.9 FLA 3~ LRA 14.5 SFA 3.3 AMB 104 F" => {
      "horsepower" => 1.5,
      "amps" => [2.9],
      "locked_rotor_amps" => 14.5,
      "service_factor_amps" => 3.3,
      "ambient_high_c" => 40.0
    },
    "V 230 A 0.42 W 58 Hz 50 1300/min Kl. B" => {
      "volts" => [230],
      "amps" => [0.42],
      "watts" => 58,
      "hertz" => [50],
      "rpm" => 1300,
      "poles" => 4
    },
    "SF 1.15 FLA 2.1 LRA 9.5 1⁄3 HP RPM: 1,140" => {
      "service_factor" => 1.15,
      "amps" => [2.1],
      "locked_rotor_amps" => 9.5,
      "horsepower" => 0.3333,
      "rpm" => 1140
    },
    "1½ HP THREE PHASE 230 V 4.2 A" => {
      "horsepower" => 1.5,
      "phases" => 3,
      "volts" => [230],
      "amps" => [4.2]
    },
    "3~ 400 V 1.9 A 0.75 kW 920/min IP55 CAP 5/370" => {
      "horsepower" => 1.0058,
      "rpm" => 920,
      "capacitor_uf" => 5,
      "capacitor_volts" => 370
    },
    "H.P. 1/6 V 115 R.P.M. 1050 SHAFT 1/2 X 6 COS φ 0.9" => {
      "horsepower" => 0.1667,
      "volts" => [115],
      "rpm" => 1050,
      "shaft_diameter_mm" => 12.7,
      "shaft_length_mm" => 152.4
    },
    "230 V 0.5 A SHAFT 12 X 150" => {
      "shaft_diameter_mm" => 12,
      "shaft_length_mm" => 150
    },
    "12 VDC 0.3 A 2,600 RPM" => {
      "volts" => [12],
      "amps" => [0.3],
      "rpm" => 2600
    },
    "115V 60HZ 0.62A 1550RPM SHADED POLE COUNTER-CLOCKWISE FROM SHAFT END" => {
      "family" => "shaded_pole",
      "rotation" => "ccw",
      "rotation_view" => "shaft_end"
    }
  }.each { |line, fields| it("reads “#{line}”") { expect(plate(line)[:motor]).to include(fields) } }

  it "takes the speed of this site's hertz where a plate prints both, and says so" do
    speed = ->(hertz) { plate("230 V 1550/1300 RPM 60/50 Hz 0.4 A", hertz:)[:motor].values_at("rpm", "poles") }
    expect([60, 50].map(&speed)).to eq [[1550, 4], [1300, 4]]
    expect(plate("230 V 1550/1300 RPM", hertz: 50)[:worked_out].first).to include(field: "rpm", value: 1300)
    expect(plate("230 V 1550/900 RPM")[:motor]).to include("rpm" => 1550, "control" => "taps")
  end

  it "shows what it read from where, what it did not understand, and what still has to be asked" do
    result = plate("230 V 0.4 A CW FRAME 48Y")
    expect(result[:read].map { |one| one[:text] }).to eq ["230 V", "0.4 A", "CW"]
    expect(result[:unread]).to eq %w[FRAME 48Y]
    expect(result[:asks]).to eq %w[rotation_view family]
    expect(plate("nothing of the kind").verdict).to eq "nothing_read"
    expect(described_class.call({"text" => "", "hertz" => 0}).faults.map(&:field)).to contain_exactly("text", "hertz")
  end

  # Each worked by hand: what cannot be true together, and the same plate mended.
  {
    "9 W 115 V 0.62 A 60 Hz" => [%w[watts amps], "41 W 115 V 0.62 A 60 Hz"], # 9 ÷ 71.3 = 0.13
    "120 W 230 V 0.4 A" => [%w[watts amps], "80 W 230 V 0.4 A"], # 120 ÷ 92 = 1.30
    "1/4 HP 115 V 1.5 A" => [%w[horsepower amps], "1/6 HP 115 V 1.5 A"], # 186 of 172.5 VA
    "1140 RPM 4P 60 Hz" => [%w[rpm poles hertz], "1140 RPM 6P 60 Hz"], # 1800 and 1200
    "230 V 0.85/0.42 A" => [%w[volts amps], "115/230 V 0.85/0.42 A"],
    "230/460 V 1.4/1.4 A 3 PH" => [nil, "230/460 V 2.8/1.4 A 3 PH"],
    "230/460 V 1.4/2.8 A 3 PH" => [%w[volts amps], "230/460 V 2.8/1.4 A 3 PH"],
    "230 V PSC 3 PH" => [%w[family phases], "230 V PSC 1 PH"],
    "230 V SHADED POLE 5 UF" => [%w[capacitor_uf family], "230 V PSC 5 UF"]
  }.each do |line, (fields, mended)|
    it "doubts “#{line}” and trusts “#{mended}”" do
      expect(plate(line)[:disagreements].map { |one| one[:fields] }).to eq [fields].compact
      expect(plate(mended)[:disagreements]).to eq []
    end
  end

  it "reads any order and any case the same, and never fails on noise" do
    words = ["230 V", "1/10 HP", "0.9 A", "1300 RPM", "50 HZ", "CWSE", "TENV", "5 µF 370 VAC", "1 PH"]
    read = plate(words.join(" "))[:motor]
    random = Random.new(12)
    20.times do
      expect(
        plate(words.shuffle(random:).join(", ").then { |line| (random.rand < 0.5) ? line.downcase : line })[:motor]
      ).to eq read
    end
    200.times do
      plate(
        Array
          .new(random.rand(1..60)) do
            ["/", "-", "V", "A", "RPM", "1", "230", " ", "HP", "0", ".", ",", "µF", "\u0000", "é"].sample(random:)
          end
          .join
      )
    end
  end
end
