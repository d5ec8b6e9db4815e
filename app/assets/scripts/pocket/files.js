// Photos and recordings that came with a form: what is kept of them, and what the phone's Ruby
// is told, which cannot open a picture itself.
const EDGE = 480;

async function picture(blob) {
  try {
    return await createImageBitmap(blob);
  } catch {
    return null;
  }
}

// As large as the server's small copies are.
async function small(bitmap) {
  const scale = Math.min(1, EDGE / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
  canvas.getContext("2d").drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas.convertToBlob({ type: "image/webp", quality: 0.8 });
}

// files: field => File. Answers with {told, small}: field => what Ruby is told of it.
export async function looked(files) {
  const told = {};
  let thumbnail = null;
  for (const [field, file] of Object.entries(files)) {
    const bitmap = field === "photo" && file.size ? await picture(file) : null;
    if (bitmap) thumbnail = await small(bitmap);
    const pixels = bitmap && bitmap.width * bitmap.height;
    told[field] = { name: file.name, type: file.type, pixels, bytes: await file.arrayBuffer() };
  }
  return { told, thumbnail };
}

// Where pages will ask for them: {path, blob, field}.
export function places(files, thumbnail, id, number) {
  return Object.entries(files).flatMap(([field, blob]) => {
    if (field !== "photo") return [{ path: `/jobs/${number}/sounds/${id}.wav`, blob, field, type: "audio/wav" }];
    return [
      { path: `/photos/${id}`, blob, field },
      { path: `/photos/${id}/small`, blob: thumbnail },
    ];
  });
}
