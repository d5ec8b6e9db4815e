# frozen_string_literal: true

module Shared
  # Where a refused form lives until it is sent again: the page as its sender got it.
  class Refused < Route
    get "/refused/:id" do
      RefusedPage.find_by!(id: uuid(params[:id]), user: current_user).body
    end
  end
end
