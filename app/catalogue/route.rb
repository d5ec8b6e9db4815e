# frozen_string_literal: true

require "pagy"

module Catalogue
  # Motors, blades and other parts that can be had.
  class Route < Shared::Route
    include Pagy::Backend
    include PartSheet

    PAGE = 24

    KINDS = {"motors" => "Motors", "kits" => "Kits", "blades" => "Blades", "spares" => "Other parts",
             "accessories" => "Accessories"}.freeze

    get "/parts/?" do
      scope = text.empty? ? everything.order(:part_no) : everything.like(text).nearest(text)
      count = scope.count
      pagy, page = pagy(scope, limit: PAGE, page: page_within(count), count:)
      # However far the page, the index of numbers alone is walked; its rows are read after.
      erb :catalogue, locals: {pagy:, parts: scope.where(part_no: page.pluck(:part_no)), kind:, text:}
    end

    # A motor or kit with everything known of it and what it replaces.
    get "/parts/motors/:part" do
      motor = Motor.find_by!(part_no: params[:part])
      erb :part, locals: {motor:, links: PartLinks.new(motor)}
    end

    get "/parts/export/:kind.csv" do
      raise ActiveRecord::RecordNotFound unless Fenbo::Matching::Sheet.kinds.include?(params[:kind])
      attachment "#{params[:kind]}.csv"
      content_type "text/csv", charset: "utf-8"
      Export.new(params[:kind])
    end

    private

    def kind = KINDS.key?(params[:kind]) ? params[:kind] : "motors"

    def text = params[:q].to_s.strip[0, 60]

    def everything
      case kind
      when "blades" then Blade.all
      when "accessories" then Accessory.all
      when "spares" then Spare.all
      else
        scope = (kind == "kits") ? Motor.where.not(kit_contents: nil) : Motor.all
        Fenbo::Electrical::FAMILIES.include?(params[:family]) ? scope.where(family: params[:family]) : scope
      end
    end

    # The page asked for, or the last there is.
    def page_within(count)
      whole(params[:page]).clamp(1, [(count / PAGE.to_f).ceil, 1].max)
    end
  end
end
