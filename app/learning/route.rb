# frozen_string_literal: true

module Learning
  # What the shop's own jobs have taught Fenbo; the office can switch it off.
  class Route < Shared::Route
    get "/learning" do
      erb :learning, locals: {places: Rates.new.places, corrected: Misdiagnosis.all}
    end

    post "/learning" do
      need :edit_shop
      Setting.write("learning", params[:on] == "1")
      back_to "/learning",
        (ShopExperience.on? ? "Fenbo learns from your jobs." : "Fenbo keeps to the trade's figures.")
    end
  end
end
