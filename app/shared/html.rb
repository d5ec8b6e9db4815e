# frozen_string_literal: true

module Shared
  # Forms, their hidden parts, and pieces every page needs.
  module Html
    # Fenbo's own sign, small enough to come with the page.
    MARK = "data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 24 24'%3E" \
      "%3Crect width='24' height='24' rx='4' fill='%2314302B'/%3E" \
      "%3Ccircle cx='12' cy='12' r='7' fill='none' stroke='%23B2602F' stroke-width='3'/%3E%3C/svg%3E"

    PUBLIC = File.expand_path("../../public/assets", __dir__)
    TEMPLATES = Concurrent::Map.new
    private_constant :TEMPLATES

    # A part of a page: the room's own, else one that rooms share.
    # @param folder [String] the room's views
    def self.template(folder, name)
      TEMPLATES.compute_if_absent([folder, name]) do
        file =
          [folder, Route::SHARED_VIEWS].map { |views| File.join(views, "#{name}.erb") }.find { |path| File.file?(path) }
        Tilt::ErubiTemplate.new(file, escape_html: true)
      end
    end

    def h(text) = Rack::Utils.escape_html(text.to_s)

    # Hidden fields of every form: forgery token, and the id that makes a repeat
    # harmless (the browser puts its own in when scripts run); then those of this one.
    def form_tags(**fields)
      %(<input type="hidden" name="authenticity_token" value="#{h(csrf_token)}">) +
        %(<input type="hidden" name="client_id" value="#{SecureRandom.uuid}" data-client-id>) +
        fields.map { |name, value| %(<input type="hidden" name="#{name}" value="#{h(value)}">) }.join
    end

    # A figure and its unit, which never part.
    def amount(figure, unit)
      %(<span class="figure">#{h(figure)}</span><span class="unit">#{h(unit)}</span>)
    end

    # What a check said, by shape and for the ear.
    def mark(result, word: result)
      %(<span class="mark mark-#{h(result)}" aria-hidden="true">#{h(Words::MARKS.fetch(result))}</span>) +
        %(<span class="sr-only">#{h(word)}</span>)
    end

    # One masked token a page serves all its forms.
    def csrf_token
      @csrf_token ||= Rack::Protection::AuthenticityToken.token(session)
    end

    # Rendered directly: a page has up to a hundred of them.
    def partial(name, **locals)
      Html.template(settings.views, name).render(self, locals)
    end

    # A labelled field with its unit, hint and fault; `id` where a page has several of one name.
    def field(name, label, value: nil, fault: nil, unit: nil, hint: nil, type: "text", id: name, **attributes)
      partial(:field, name:, id:, label:, value:, fault:, unit:, hint:, type:, attributes:)
    end

    def choices(name, label, options, value: nil, fault: nil, hint: nil)
      partial(:choices, name:, label:, options:, value:, fault:, hint:)
    end

    # Words to choose from while typing; others may be typed.
    def datalist(id, words)
      options = words.map { |word| %(<option value="#{h(word.tr("_", " "))}"></option>) }
      %(<datalist id="#{id}">#{options.join}</datalist>)
    end

    def attributes(pairs)
      pairs
        .compact
        .map do |key, value|
          unless value == false
            (value == true) ? key.to_s.tr("_", "-") : %(#{key.to_s.tr("_", "-")}="#{h(value)}")
          end
        end
        .compact
        .join(" ")
    end

    def asset(name)
      file = File.join(PUBLIC, name)
      "/assets/#{name}?#{File.exist?(file) ? File.mtime(file).to_i : 0}"
    end

    def current?(path) = (request.path == path) ? "page" : nil
  end
end
