import { Outlet } from 'react-router';
import { Split } from '@/ui/Split';
import { ServiceList } from './components/ServiceList';

/** The list of services, and beside it intake, a service or an operation. */
export function ServicesPlace() {
  return <Split id="services" leftSize="250px" left={<ServiceList />} right={<Outlet />} />;
}
