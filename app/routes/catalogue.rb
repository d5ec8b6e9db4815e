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
      pagy, parts = pagy(scope.order(:part_no), limit: PAGE, page: page_within(scope.count))
      erb :catalogue, locals: {pagy:, parts:, blades: kind == Blade, text:}
    end

    private

    # The page asked for, or the last there is.
    def page_within(count) = whole(params[:page]).clamp(1, [(count / PAGE.to_f).ceil, 1].max)
  end
end
