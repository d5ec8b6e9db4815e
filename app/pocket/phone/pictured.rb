# frozen_string_literal: true

# A photo by itself, as large as it is on this phone.
class Pictured < Shared::Route
  PATH = %r{\A/photos/\h{8}-[\h-]{27}\z}

  set :views, File.join(__dir__, "views")

  get "/photos/:id" do
    packs = Phone.packs.values
    found = packs.lazy.filter_map { |pack| pack.job.live_photos.find { |one| one.id == params[:id] } }.first
    halt(*nothing_here) unless found
    erb :pictured, locals: {photo: found}
  end
end
