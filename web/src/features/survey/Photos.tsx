import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Camera, Trash2 } from "lucide-react";
import { useId } from "react";
import { api, photosOptions } from "./api";
import { Failure } from "../../ui/Failure";
import { moment } from "../../ui/figures";

/** Photos of the box. They are made anew on the way in: positions and whatever else was in the file are gone. */
export function Photos({ box }: { box: string }) {
  const photos = useQuery(photosOptions(box));
  const queries = useQueryClient();
  const field = useId();
  const changed = () => queries.invalidateQueries({ queryKey: photosOptions(box).queryKey });
  const add = useMutation({ mutationFn: (picture: File) => api.addPhoto(box, picture), onSuccess: changed });
  const remove = useMutation({ mutationFn: (photo: string) => api.removePhoto(photo), onSuccess: changed });
  const failed = add.error ?? remove.error;
  return (
    <section aria-label="Photos" className="no-print">
      <h2 className="mb-2 text-[16px]">Photos</h2>
      <ul className="mb-2 flex flex-wrap gap-3">
        {(photos.data ?? []).map((photo) => (
          <li key={photo.id} className="border-line relative rounded-[4px] border p-1">
            <a href={`/api/v1/photos/${photo.id}`} target="_blank" rel="noreferrer">
              <img
                src={`/api/v1/photos/${photo.id}`}
                alt={`the box, ${moment(photo.takenAt)}, ${photo.takenBy}`}
                width={photo.width}
                height={photo.height}
                loading="lazy"
                className="h-28 w-auto object-contain"
              />
            </a>
            <button
              type="button"
              className="btn btn-sm btn-square bg-base-100 absolute top-2 right-2"
              aria-label={`take the photo of ${moment(photo.takenAt)} away`}
              onClick={() => remove.mutate(photo.id)}
            >
              <Trash2 size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      <label htmlFor={field} className="btn btn-sm btn-outline">
        <Camera size={16} aria-hidden /> {add.isPending ? "sending the photo …" : "add a photo"}
      </label>
      <input
        id={field}
        type="file"
        accept="image/jpeg,image/png"
        capture="environment"
        className="sr-only"
        onChange={(event) => {
          const picture = event.target.files?.[0];
          event.target.value = "";
          if (picture) {
            add.mutate(picture);
          }
        }}
      />
      {failed && <Failure error={failed} />}
    </section>
  );
}
