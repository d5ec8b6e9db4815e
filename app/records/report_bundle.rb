# frozen_string_literal: true

# The reports of the jobs closed between two days, as one zip of PDFs; of one customer or
# of all.
class ReportBundle < ApplicationRecord
  MOST_JOBS = 500
  # How long the file is kept once it is made.
  KEPT = 14.days

  belongs_to :user
  belongs_to :customer, optional: true

  # @return [Array<Integer>] numbers of the jobs in it, oldest first
  def self.numbers(from, upto, customer)
    scope = Job.where(status: "closed", closed_at: from.beginning_of_day..upto.end_of_day).order(:number)
    scope = scope.joins(unit: :site).where(sites: {customer_id: customer.id}) if customer
    scope.pluck(:number)
  end

  def self.drop_old
    where(created_at: ..KEPT.ago).find_each do |bundle|
      bundle.stored&.delete
      bundle.destroy!
    end
  end

  def numbers = self.class.numbers(from, upto, customer)

  def stored = file && ZipUploader.uploaded_file(file)

  def running? = %w[waiting working].include?(state)

  def ready? = state == "ready"
end
