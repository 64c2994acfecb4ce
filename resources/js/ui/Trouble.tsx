/** A screen that cannot be shown: why, and a way back. */
import { Link } from 'react-router';

export function Trouble({ message }: { message: string }) {
    return (
        <p className="p-8" role="alert">
            {message}{' '}
            <Link className="underline" to="/">
                Back to the shelf
            </Link>
        </p>
    );
}
