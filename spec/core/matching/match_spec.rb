# frozen_string_literal: true

require "tempfile"

RSpec.describe Fenbo::Matching::Match do
  old = {
    "part_no" => "OLD",
    "family" => "shaded_pole",
    "volts" => [230],
    "hertz" => [50],
    "phases" => 1,
    "amps" => [0.42],
    "watts" => 58,
    "rpm" => 1300,
    "rotation" => "cw",
    "rotation_view" => "lead_end",
    "shaft_diameter_mm" => 6.35,
    "shaft_form" => "round",
    "mount" => "ring",
    "bolt_circle_mm" => 80,
    "enclosure" => "enclosed",
    "connector" => "plug"
  }
  site = {"volts" => 230, "phases" => 1, "hertz" => 50, "ambient_c" => [-25, 10], "wet" => true}
  same = old.merge("part_no" => "SAME", "ambient_low_c" => -40, "ambient_high_c" => 40, "price_cents" => 5000)

  define_method(:match) do |motors, **more|
    described_class.call({"old" => old, "site" => site, "motors" => Array(motors)}.merge(more.transform_keys(&:to_s)))
  end
  define_method(:lines) do |change, **more|
    match([same.merge(change)], **more).then do |result|
      (result[:candidates].first || result[:rejected].first)[:checks].to_h { |line| [line[:check], line[:result]] }
    end
  end

  it "puts what nobody has behind everything that can be had" do
    gone = same.merge("part_no" => "GONE", "obtainable" => false, "price_cents" => 1)
    spliced = same.merge("part_no" => "HAD", "connector" => "leads", "obtainable" => true)
    expect(match([gone, spliced])[:candidates].map { |one|
      [one[:part_no], one[:grade]]
    }).to eq [%w[HAD fits_with_work], %w[GONE drop_in]]
  end

  it "takes the same motor as a drop-in" do
    result = match([same])
    expect(result.verdict).to eq "SAME"
    expect(result[:candidates].first).to include(grade: "drop_in", extra_parts: [], extra_minutes: 0)
  end

  # Hand-worked, both sides of each limit: what the candidate has otherwise, and what follows.
  {
    "supply" => [
      [{"volts" => [207]}, "pass"],
      [{"volts" => [253]}, "pass"],
      [{"volts" => [253.1]}, "fail"],
      [{"volts" => [115, 208]}, "pass"],
      [{"phases" => 3}, "fail"],
      [{"hertz" => [60]}, "fail"],
      [{"volts" => []}, "adapt"]
    ],
    "load" => [
      [{"amps" => [0.56]}, "pass"],
      [{"amps" => [0.57]}, "fail"],
      [{"amps" => [0.382]}, "pass"],
      [{"amps" => [0.38]}, "fail"],
      [{"amps" => []}, "adapt"]
    ],
    "speed" => [
      [{"rpm" => 1365}, "pass"],
      [{"rpm" => 1366}, "adapt"],
      [{"rpm" => 1144}, "adapt"],
      [{"rpm" => 1143}, "fail"],
      [{"rpm" => 900, "kit_contents" => "motor + blade"}, "adapt"],
      [{"rpm" => 900, "kit_contents" => "motor; ties"}, "fail"]
    ],
    "rotation" => [
      [{"rotation_view" => "shaft_end"}, "fail"],
      [{"rotation_view" => "shaft_end", "kit_contents" => %w[motor blade]}, "adapt"],
      [{"rotation_view" => "shaft_end", "kit_contents" => "motor; plate"}, "fail"],
      [{"rotation" => nil}, "adapt"]
    ],
    "duty" => [
      [{"enclosure" => "potted"}, "pass"],
      [{"enclosure" => "open_air_over"}, "fail"],
      [{"enclosure" => nil}, "adapt"]
    ],
    "ambient" => [
      [{"ambient_low_c" => -25, "ambient_high_c" => 10}, "pass"],
      [{"ambient_low_c" => -24}, "fail"],
      [{"ambient_high_c" => 9}, "fail"],
      [{"ambient_low_c" => nil}, "adapt"]
    ],
    "refrigerant" => [[{"flammable_ok" => nil}, "pass"]],
    "mount" => [
      [{"bolt_circle_mm" => 81}, "pass"],
      [{"bolt_circle_mm" => 81.1}, "fail"],
      [{"bolt_circle_mm" => 90, "kit_contents" => "motor; plate to bend"}, "adapt"],
      [{"mount" => "yoke"}, "fail"],
      [{"mount" => "yoke", "kit_contents" => "motor; blade"}, "fail"],
      [{"mount" => nil}, "adapt"]
    ],
    "shaft" => [
      [{"shaft_diameter_mm" => 6.4}, "pass"],
      [{"shaft_diameter_mm" => 6.41}, "fail"],
      [{"shaft_diameter_mm" => 6.29}, "adapt"],
      [{"shaft_form" => "flat"}, "fail"],
      [{"shaft_diameter_mm" => 9, "integral_blade" => 1}, "pass"]
    ],
    "integral" => [[{"integral_blade" => 1}, "adapt"]],
    "connector" => [[{"connector" => "leads"}, "adapt"]],
    "control" => [[{"control" => "pwm"}, "adapt"], [{"control" => "program"}, "pass"]]
  }.each do |check, cases|
    it("judges #{check}") { expect(cases.map { |change, _| [change, lines(change)[check]] }).to eq cases }
  end

  it "asks of the hub which shafts it grips, and of the blade which way it turns, where the old motor does not tell" do
    expect(
      [%w[set_screw flat], %w[set_screw threaded], %w[nut_on threaded], %w[hubless flat]].map do |kind, form|
        lines({"shaft_form" => form}, blade: {"kind" => kind, "bore_mm" => 6.35})["shaft"]
      end
    ).to eq %w[pass fail pass fail]
    # Discharged away from the motor it is read from the shaft end; towards it, from behind.
    turned = ->(air) do
      match(
        [same],
        old: old.except("rotation", "rotation_view"),
        blade: {
          "rotation" => "cw",
          "air" => air
        }
      ).then { |result| result[:candidates].first || result[:rejected].first }[
        :checks
      ].find { |line| line[:check] == "rotation" }[
        :result
      ]
    end
    expect(%w[away_from_motor towards_motor].map(&turned)).to eq %w[fail pass]
  end

  it "measures EC by watts, split phase and three phases by horsepower with service factor, and minds the starter" do
    of = ->(family, was, now, **place) do
      match(
        [same.merge("family" => family, "amps" => []).merge(now)],
        old: old.merge("family" => family, "amps" => [], "watts" => nil).merge(was),
        site: site.merge(place.transform_keys(&:to_s))
      ).then do |result|
        (result[:candidates].first || result[:rejected].first)[:checks].find { |line| line[:check] == "load" }[:result]
      end
    end
    expect([40, 80, 39.9, 80.1].map { |watts| of["ec", {"watts" => 40}, {"watts" => watts}] }).to eq %w[
      pass pass fail fail
    ]
    expect(of["ec", {"watts" => 40}, {"watts" => nil, "horsepower" => 0.05}]).to eq "pass" # 37.3 W at the shaft for 28
    expect(
      [0.25, 0.3, 0.326, 0.33].map do |hp|
        of["split_phase", {"horsepower" => 0.25}, {"horsepower" => hp, "service_factor" => 1.15}]
      end
    ).to eq %w[pass pass pass fail] # 1.15, 1.38, 1.4996, 1.518
    expect(of["split_phase", {"horsepower" => 0.25}, {"horsepower" => 0.2, "service_factor" => 1.15}]).to eq "fail"
    three = ->(amps, **place) do
      of["three_phase", {"horsepower" => 0.5, "amps" => [2.0]}, {"horsepower" => 0.75, "amps" => [amps]}, **place]
    end
    expect([2.5, 2.6].map(&three)).to eq %w[pass adapt]
    expect(
      [three[2.6, overload_amps: [1.6, 2.6]], three[2.7, overload_amps: [1.6, 2.6]], three[2.6, contactor_amps: 2.5]]
    ).to eq %w[pass fail fail]
  end

  it "never puts a motor behind a belt that its own blade has to cool" do
    dry = {old: old.merge("enclosure" => "open"), site: site.merge("wet" => false, "belt" => true)}
    expect(
      %w[open_air_over open enclosed].map { |enclosure| lines({"enclosure" => enclosure}, **dry)["duty"] }
    ).to eq %w[fail pass pass]
    expect(
      lines({"enclosure" => "open_air_over"}, old: dry[:old], site: site.merge("wet" => false))["duty"]
    ).to eq "pass"
  end

  it "keeps a command that nobody obeys from passing, and calls a kit a conversion only where it changes something" do
    led = ->((was, now)) do
      match([same.merge("control" => now)], old: old.merge("control" => was)).then do |result|
        (result[:candidates].first || result[:rejected].first)[:checks].to_h { |line| [line[:check], line[:result]] }[
          "control"
        ]
      end
    end
    expect([%w[0_10v 0_10v], %w[0_10v none], %w[pwm 0_10v], %w[0_10v program], %w[taps program]].map(&led)).to eq %w[
      pass fail fail pass pass
    ]
    expect(
      [["motor; capacitor"], ["motor; plate"], ["blade"]].map do |list|
        match([same.merge("kit_contents" => list)])[:candidates].first[:grade]
      end
    ).to eq %w[drop_in conversion conversion]
    expect(match([same.merge("kit_contents" => [1])]).faults.map(&:field)).to eq ["motors.0.kit_contents"]
    expect(
      match([same.merge("connector" => "leads")], site: site.merge("wet" => false))[:candidates].first[:extra_parts]
    ).to eq ["sealed crimps"] # −25 °C
  end

  it "takes the healthy amps for the load where they are known" do
    expect(lines({"amps" => [0.57]}, healthy_amps: 0.44)["load"]).to eq "pass"
  end

  it "compares rotation in one view and turns back to itself when turned twice" do
    expect(lines({"rotation" => "ccw", "rotation_view" => "shaft_end"})["rotation"]).to eq "pass"
    expect(lines({"rotation" => "cw", "rotation_view" => "shaft_end"})["rotation"]).to eq "fail"
    expect(lines({"rotation" => "reversible"})["rotation"]).to eq "pass"
    twice = Fenbo::Matching::Rotation.canonical(Fenbo::Matching::Rotation.canonical("cw", "lead_end"), "lead_end")
    expect(twice).to eq "cw"
  end

  it "wants the shaft in the bore, a bushing where it is thinner, nothing where it is thicker" do
    expect(
      [6.38, 5.0, 8.0].map { |mm| lines({"shaft_diameter_mm" => mm}, blade: {"bore_mm" => 6.35})["shaft"] }
    ).to eq %w[pass adapt fail]
  end

  it "compares shaft output across families and lets only marked motors near flammables" do
    ec = {"family" => "ec", "amps" => [], "watts" => 20, "control" => "program"} # 14 W for 11.6 W
    expect(lines(ec)["load"]).to eq "pass"
    expect([16.6, 16.5, 16.4, 26.5, 26.7].map { |watts| lines(ec.merge("watts" => watts))["load"] }).to eq %w[
      pass pass fail pass fail
    ] # 11.62, 11.55, 11.48, 18.55, 18.69 W for 11.6
    expect(lines({}, site: site.merge("flammable" => true))["refrigerant"]).to eq "fail"
  end

  it "asks the fit solver with each candidate's own shaft, where the place was measured" do
    # 46 mm to the guard: a shaft of 40 mm just clears it; two spacers of 2 mm bring 44 mm clear.
    place = {
      "h" => 14,
      "b_m" => 4,
      "b_f" => 18,
      "m" => 0,
      "G" => 46,
      "O" => nil,
      "t" => 2,
      "n_max" => 2,
      "key" => nil,
      "old_seat" => nil
    }
    of = ->(mm, fit = place) do
      match([same.merge("shaft_length_mm" => mm)], fit:).then do |result|
        result[:candidates].first || result[:rejected].first
      end
    end
    line = ->(mm) { of[mm][:checks].find { |one| one[:check] == "fit" } }
    expect([40, 40.1, 44, 44.1, nil].map { |mm| line[mm][:result] }).to eq %w[pass adapt adapt fail adapt]
    expect(of[44]).to include(extra_parts: ["2 spacers"], extra_minutes: 10)
    expect(line[48.2][:reason]).to include "4.2 mm too long for the guard"
    expect(match([same], fit: place.merge("h" => 0, "b_m" => nil)).faults.map(&:field)).to contain_exactly(
      "fit.h",
      "fit.b_m"
    )
  end

  it "ranks without regard to the order of rows and tells why the rest were rejected" do
    rows = [
      same,
      same.merge("part_no" => "CHEAP", "price_cents" => 4000),
      same.merge("part_no" => "LEADS", "connector" => "leads", "price_cents" => 100),
      same.merge("part_no" => "NO", "volts" => [115])
    ]
    order = match(rows)[:candidates].map { |one| one[:part_no] }
    expect(order).to eq %w[CHEAP SAME LEADS]
    expect(match(rows.reverse)[:candidates].map { |one| one[:part_no] }).to eq order
    expect(match(rows)[:rejected]).to eq [
      {part_no: "NO", checks: [{check: "supply", result: "fail", reason: "115 V, the site has 230 V"}]}
    ]
  end

  it "reads a catalogue file as its rows would be read, flags and kits too, and names what is wrong with it by line" do
    file = Tempfile.new(%w[motors .csv])
    catalog =
      lambda do |text|
        File.write(file.path, text)
        described_class.call({"old" => old, "site" => site.merge("flammable" => true), "catalog" => file.path})
      end
    header =
      "part_no,family,volts,hertz,phases,amps,rpm,rotation,rotation_view,shaft_diameter_mm,mount,enclosure," \
      "ambient_low_c,ambient_high_c,connector,flammable_ok,kit_work\n"
    row =
      "SAFE,shaded_pole,115;230,50;60,1,0.84;0.42,1300,cw,lead_end,6.35,ring,enclosed,-40,40,plug,1," \
      "bend;drill,left over\n"
    expect(
      catalog[header + row + row.sub("SAFE", "NOT").sub("plug,1", "plug,0")].to_h.values_at(:verdict, :rejected)
    ).to eq [
      "SAFE",
      [
        {
          part_no: "NOT",
          checks: [{check: "refrigerant", result: "fail", reason: "not marked for flammable refrigerants"}]
        }
      ]
    ]
    expect(catalog[header + row.sub("shaded_pole", "steam").sub("6.35", "x")].faults.map(&:field)).to contain_exactly(
      "catalog.2.family",
      "catalog.2.shaft_diameter_mm"
    )
    expect(catalog["\uFEFF#{header}\r\n#{row}\n,,,\n".gsub(/\r?\n/, "\r\n")].verdict).to eq "SAFE"
    expect(catalog["#{header}\n\n#{row.sub("shaded_pole", "steam")}"].faults.map(&:field)).to eq ["catalog.4.family"]
    expect(catalog["part_no\n\xFF\n"].faults.map(&:field)).to eq ["catalog"]
    expect(catalog["a,\"b\nc"].faults.map(&:field)).to eq ["catalog"]
    expect(
      described_class.call({"old" => old, "site" => site, "catalog" => "/nowhere.csv"}).faults.map(&:field)
    ).to eq ["catalog"]
  end

  it "takes only listed bushings and brackets where it is told what can be had" do
    parts = [
      {"part_no" => "B-1", "kind" => "bushing", "from_mm" => 4.76, "to_mm" => 6.35},
      {"part_no" => "R-1", "kind" => "bracket", "mount_from" => "yoke", "mount_to" => "ring"}
    ]
    expect([4.76, 5.0].map { |mm| lines({"shaft_diameter_mm" => mm}, accessories: parts)["shaft"] }).to eq %w[
      adapt fail
    ]
    one = match([same.merge("mount" => "yoke", "shaft_diameter_mm" => 4.76)], accessories: parts)[:candidates].first
    expect(one).to include(grade: "fits_with_work", extra_parts: ["bracket R-1", "bushing B-1"], extra_minutes: 20)
    expect(match([same], accessories: [{"kind" => 3}]).faults.map(&:field)).to eq ["accessories.0.kind"]
  end

  it "never sells what is no longer made, and says what took its place" do
    gone = match([same.merge("discontinued" => true, "superseded_by" => "NEXT")])
    expect(gone.verdict).to eq "none"
    expect(gone[:rejected].first[:checks]).to eq [
      {check: "available", result: "fail", reason: "no longer made: NEXT took its place"}
    ]
  end

  it "wants the same poles, except of an EC motor" do
    expect(lines({"poles" => 6, "rpm" => 1300})["speed"]).to eq "pass" # the old one's are not known
    four = old.merge("poles" => 4)
    speed = ->(change) do
      described_class
        .call({"old" => four, "site" => site, "motors" => [same.merge(change)]})
        .then do |result|
          (result[:candidates].first || result[:rejected].first)[:checks].find { |line| line[:check] == "speed" }[
            :result
          ]
        end
    end
    expect(
      [
        speed["poles" => 6],
        speed["poles" => 4, "rpm" => nil],
        speed["poles" => 8, "family" => "ec", "watts" => 18, "amps" => []]
      ]
    ).to eq %w[fail pass pass]
  end

  it "says what to set, buy, move across and expect: leads, taps, capacitor, air" do
    psc =
      old.merge(
        "family" => "psc",
        "amps" => [1.1],
        "watts" => 227,
        "rotation" => "cw",
        "rotation_view" => "shaft_end",
        "mount" => "belly_band"
      )
    new =
      psc.merge(
        "part_no" => "P",
        "volts" => [115, 230],
        "amps" => [2.2, 1.1],
        "rotation" => "reversible",
        "capacitor_uf" => 5,
        "rpm" => 1200,
        "ambient_low_c" => -30,
        "ambient_high_c" => 60
      )
    one = described_class.call({"old" => psc, "site" => site, "motors" => [new]})[:candidates].first
    expect(one[:settings]).to contain_exactly(
      "connect it for 230 V and cap the leads left over",
      "swap its marked leads so that it turns clockwise from the shaft end, counter-clockwise from the lead end"
    )
    expect(one[:also].first).to start_with "run capacitor 5 µF"
    expect(one[:transfers]).to include("slinger", "bracket", "shroud", "ground wire")
    # 1200 ÷ 1300; 227 × 0.55
    expect(one[:effects]).to include(air_ratio: 0.923, power_ratio: 0.787, old_output_w: 124.9, output_w: 124.9)
    expect(one[:checks].find { |line| line[:check] == "speed" }[:reason]).to include "air 92 %, load 79 %"
  end

  it "puts a kit made for this original first, whatever another costs, and brings its blade's own shaft" do
    yoke = old.merge("integral_blade" => true, "mount" => "yoke", "part_no" => "GONE")
    kit =
      same.merge(
        "family" => "ec",
        "watts" => 17,
        "mount" => "kit_plate",
        "kit_contents" => "motor; blade; plate",
        "kit_minutes" => 30,
        "shaft_diameter_mm" => 12
      )
    result =
      described_class.call(
        {
          "old" => yoke,
          "site" => site,
          "motors" => [
            kit.merge("part_no" => "CHEAP", "price_cents" => 1),
            kit.merge("part_no" => "MEANT", "price_cents" => 9, "cross_reference" => ["GONE"])
          ]
        }
      )
    expect(result[:candidates].map { |one| one.values_at(:part_no, :grade, :listed) }).to eq [
      ["MEANT", "conversion", true],
      ["CHEAP", "conversion", false]
    ]
    expect(result[:candidates].first[:kit][:contents]).to eq %w[motor blade plate]
  end

  it "ranks what is at hand before what is cheaper, and landed cost before the list's price" do
    rows = [
      same.merge("part_no" => "ORDER", "price_cents" => 100, "available_hours" => 48),
      same.merge("part_no" => "VAN", "price_cents" => 900, "available_hours" => 0),
      same.merge("part_no" => "NEAR", "price_cents" => 950, "landed_cents" => 300, "available_hours" => 0)
    ]
    expect(match(rows)[:candidates].map { |one| one[:part_no] }).to eq %w[NEAR VAN ORDER]
  end
end
