import type { OrderPassesInput } from '../../../api/generated';
import { opOf } from '../op';
import { passOf, withPasses } from '../shown';

export const orderPasses = opOf<OrderPassesInput>()('pass.order', {
    name: 'The new order of passes',
    touches: ({ passes }) => passes.flatMap(passOf),
    show: ({ passes }, view) =>
        withPasses(
            view,
            passes.map(({ id, order }) => [id, { order }]),
        ),
});
