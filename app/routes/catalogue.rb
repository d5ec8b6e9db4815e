# frozen_string_literal: true

require "pagy"

module Routes
  # Motors and blades that can be had.
  class Catalogue < Base
    include Pagy::Backend

    PAGE = 24

    get "/parts/?" do
      kind = (params[:kind] == "blades") ? Blade : Motor
      text = params[:q].to_s.strip[0, 60]
      scope = text.empty? ? kind.all : kind.like(text)
      scope = scope.where(family: params[:family]) if kind == Motor && Fenbo::Electrical::FAMILIES.include?(params[:family])
      pagy, parts = pagy(scope.order(:part_no), limit: PAGE, page: [whole(params[:page]), 1].max, overflow: :last_page)
      erb :catalogue, locals: {pagy:, parts:, blades: kind == Blade, text:}
    end
  end
end
