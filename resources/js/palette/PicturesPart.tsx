/** Pictures beside the palette: colours are picked out of them into tones, ramps and materials. */
import { useQueryClient } from '@tanstack/react-query';
import { BoardTools } from '../board/BoardTools';
import { ChosenPicture } from '../board/ChosenPicture';
import { PickedColours } from '../board/PickedColours';
import { PinBoard } from '../board/PinBoard';
import { useBoard } from '../board/useBoard';
import { materialOf, type PaletteDesk } from './usePalette';

export function PicturesPart({ desk }: { desk: PaletteDesk }) {
    const client = useQueryClient();
    const id = desk.overview?.id ?? 0;
    const board = useBoard(id, null);
    const mayColour = desk.overview?.mayColour === true;
    const { picked } = desk;
    const material = materialOf(desk.overview?.palette.figures ?? [], picked?.material);
    const use =
        mayColour && picked !== null && material !== undefined
            ? {
                  label: `Use the last one as ${material.name} › ${picked.tone}`,
                  with: (colour: string) => void desk.pin(material, { [picked.tone]: colour }),
              }
            : null;
    return (
        <div className="flex flex-col gap-3">
            <div className="flex items-start justify-between gap-2">
                <BoardTools board={board} mayHang={mayColour} />
                <a className="act narrow whitespace-nowrap" href={`/board/${id}`} target="_blank" rel="noreferrer">
                    In its own window
                </a>
            </div>
            <PinBoard board={board} mayHang={mayColour} className="h-72" />
            <div className="grid grid-cols-2 gap-4">
                <ChosenPicture board={board} mayHang={mayColour} />
                <PickedColours
                    board={board}
                    figures={desk.overview?.palette.figures ?? []}
                    mayColour={mayColour}
                    onTaken={() => void client.invalidateQueries({ queryKey: ['palette', id] })}
                    use={use}
                />
            </div>
        </div>
    );
}
