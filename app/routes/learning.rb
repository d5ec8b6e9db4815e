# frozen_string_literal: true

module Routes
  # What the shop's own jobs have taught Fenbo; the office can switch it off.
  class Learning < Base
    get "/learning" do
      erb :learning, locals: {places: Services::LearnedRates.new.places, corrected: Services::Misdiagnosis.all}
    end

    post "/learning" do
      need :edit_shop
      Setting.write("learning", params[:on] == "1")
      back_to "/learning",
        (Services::Learning.on? ? "Fenbo learns from your jobs." : "Fenbo keeps to the trade's figures.")
    end
  end
end
