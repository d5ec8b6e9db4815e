# frozen_string_literal: true

# A photo by itself, as large as it is on this phone.
class Pictured < Shared::Route
  PATH = %r{\A/photos/\h{8}-[\h-]{27}\z}

  set :views, File.join(__dir__, "views")

  get "/photos/:id" do
    job = Phone.packs.values.map(&:job).find { |one| photo_of(one) }
    halt(*nothing_here) unless job
    erb :pictured, locals: {photo: photo_of(job), unit: job.unit}
  end

  private

  def photo_of(job)
    job.live_photos.find { |one| one.id == params[:id] }
  end
end
